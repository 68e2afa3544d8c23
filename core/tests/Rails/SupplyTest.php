<?php

declare(strict_types=1);

namespace Ash\Tests\Rails;

use Ash\Document\InvalidDocument;
use Ash\Rails\Ripple;
use Eris\Generators;
use Eris\TestTrait;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Load budget, discharge and logic levels. */
final class SupplyTest extends TestCase
{
    use Bench;
    use TestTrait;

    /**
     * @param array<string, mixed> $supply
     *
     * @return array<string, mixed>
     */
    private static function budget(array $supply, float $amps5, float $amps12 = 0.0): array
    {
        return self::ask('budget', [
            'supply' => [
                'rails' => [['name' => '+5', 'nominal_v' => 5, 'max_a' => 10, 'min_a' => 1], ['name' => '-12', 'nominal_v' => -12, 'max_a' => 1]],
                ...$supply,
            ],
            'loads' => [['name' => 'board', 'amps' => ['+5' => $amps5]], ['name' => 'drive', 'amps' => ['-12' => $amps12]]],
        ]);
    }

    /** @return list<array{float, string}> */
    public static function shares(): array
    {
        return [[0.9, 'under_minimum'], [1.0, 'ok'], [8.0, 'ok'], [8.01, 'tight'], [10.0, 'tight'], [10.01, 'over']];
    }

    #[DataProvider('shares')]
    public function test_a_rail_is_ok_to_80_percent_and_tight_to_100(float $amps, string $verdict): void
    {
        /** @var array{rails: list<array{verdict: string, pct: float}>} $answer */
        $answer = self::budget([], $amps);
        self::assertSame($verdict, $answer['rails'][0]['verdict']);
        self::assertEqualsWithDelta($amps * 10, $answer['rails'][0]['pct'], 1e-9);
    }

    public function test_the_lower_label_is_believed_and_a_negative_rail_adds_to_the_load(): void
    {
        // 4 A * 5 V + 0.5 A * 12 V = 26 W of 30 W = 86.7 %
        $answer = self::budget(['rating_w' => 30, 'case_label_w' => 60], 4, 0.5);
        self::assertEqualsWithDelta(26.0, $answer['load_w'], 1e-12);
        self::assertSame([30, 'tight'], [$answer['rating_w'], $answer['total_verdict']]);
        self::assertEqualsWithDelta(260 / 3, $answer['load_pct'], 1e-9);
        self::assertIsArray($answer['reasons']);
        self::assertStringContainsString('lower one is believed', implode(' ', $answer['reasons']));
        self::assertSame(
            [25, 'over'],
            array_values(array_intersect_key(self::budget(['rating_w' => 30, 'case_label_w' => 25], 4, 0.5), ['rating_w' => 1, 'total_verdict' => 1])),
        );
    }

    public function test_without_a_rating_the_total_is_not_judged(): void
    {
        $answer = self::budget([], 4);
        self::assertSame([null, null, null], [$answer['rating_w'], $answer['load_pct'], $answer['total_verdict']]);
    }

    /**
     * Against ngspice 39, `ngspice -b`: C1 a 0 220u IC=325, R1 a 0 2200, .tran 10u 4 0 10u uic;
     * .meas t60 WHEN v(a)=60, energy INTEG v(a)^2/2200, ipk MAX v(a)/2200; and 47000u at 28 V through 10 ohm to 5 V.
     *
     * @return list<array{array<string, float>, float, float}>
     */
    public static function transients(): array
    {
        return [
            [['capacitance_f' => 220e-6, 'start_v' => 325, 'resistor_ohm' => 2200], 0.817709, 11.6187],
            [['capacitance_f' => 220e-6, 'start_v' => 325, 'resistor_ohm' => 2200, 'safe_v' => 10], 1.68492, 11.6187],
            [['capacitance_f' => 0.047, 'start_v' => 28, 'resistor_ohm' => 10, 'safe_v' => 5], 0.809700, 18.4240],
        ];
    }

    /** @param array<string, float> $circuit */
    #[DataProvider('transients')]
    public function test_discharge_agrees_with_a_circuit_simulators_transient(array $circuit, float $seconds, float $joules): void
    {
        $answer = self::ask('discharge', $circuit);
        self::assertEqualsWithDelta($seconds, $answer['time_to_safe_s'], $seconds * 2e-5);
        self::assertEqualsWithDelta($joules, $answer['energy_j'], $joules * 2e-5);
        self::assertEqualsWithDelta($circuit['start_v'] / $circuit['resistor_ohm'], $answer['peak_current_a'], 1e-12);
        self::assertEqualsWithDelta($circuit['start_v'] ** 2 / $circuit['resistor_ohm'], $answer['peak_power_w'], 1e-9);
    }

    public function test_60_volts_is_safe_already_by_iec_62368_1_es1(): void
    {
        self::assertSame(0, self::ask('discharge', ['capacitance_f' => 1e-3, 'start_v' => 60, 'resistor_ohm' => 100])['time_to_safe_s']);
        self::assertGreaterThan(0, self::ask('discharge', ['capacitance_f' => 1e-3, 'start_v' => 60.1, 'resistor_ohm' => 100])['time_to_safe_s']);
    }

    public function test_a_larger_resistor_takes_longer_and_burns_less(): void
    {
        $this->forAll(
            Generators::choose(61, 2000),
            Generators::choose(1, 100000),
            Generators::choose(1, 1000),
        )->then(static function (int $volts, int $ohms, int $more): void {
            $with = static fn (int $ohms): array => self::ask('discharge', ['capacitance_f' => 1e-4, 'start_v' => $volts, 'resistor_ohm' => $ohms]);
            self::assertGreaterThan($with($ohms)['time_to_safe_s'], $with($ohms + $more)['time_to_safe_s']);
            self::assertLessThan($with($ohms)['peak_power_w'], $with($ohms + $more)['peak_power_w']);
            self::assertSame($with($ohms)['energy_j'], $with($ohms + $more)['energy_j']);
        });
    }

    /**
     * TTL: TI SN74xx data sheets, V_IL 0.8 V and V_IH 2.0 V. CMOS: 30 % and 70 % of supply, common practice, no source.
     *
     * @return list<array{string, float, float, string}>
     */
    public static function levels(): array
    {
        return [
            ['ttl', 5, 0.8, 'low'], ['ttl', 5, 0.81, 'undefined'], ['ttl', 5, 1.5, 'undefined'], ['ttl', 5, 1.99, 'undefined'], ['ttl', 5, 2.0, 'high'],
            ['ttl', 5, 5.3, 'high'], ['ttl', 5, 5.31, 'above_supply'], ['cmos', 3.3, 3.61, 'above_supply'], ['ttl', 5, -1, 'low'],
            ['cmos', 12, 3.6, 'low'], ['cmos', 12, 3.61, 'undefined'], ['cmos', 12, 8.39, 'undefined'], ['cmos', 12, 8.4, 'high'],
        ];
    }

    #[DataProvider('levels')]
    public function test_logic_levels(string $family, float $supply, float $volts, string $level): void
    {
        self::assertSame($level, self::ask('logic', ['family' => $family, 'supply_v' => $supply, 'volts' => $volts])['level']);
    }

    public function test_between_a_fifth_and_four_fifths_of_the_supply_a_reading_may_be_a_moving_signal(): void
    {
        foreach ([['0.99', false], ['1.0', true], ['2.5', true], ['4.0', true], ['4.01', false], ['-1', false]] as [$volts, $may]) {
            self::assertSame($may, self::ask('logic', ['family' => 'ttl', 'supply_v' => 5, 'volts' => (float) $volts])['may_toggle'], $volts);
        }
        self::assertFalse(self::ask('logic', ['family' => 'ttl', 'supply_v' => 5, 'square' => ['low_v' => 0, 'high_v' => 5, 'duty' => 0.5]])['may_toggle']);
    }

    public function test_whether_a_resistor_may_be_used(): void
    {
        // Common practice, no source: 5 A weld a contact, 1 A makes a spark, ordinary resistors stand 250 V.
        foreach ([
            [50, 50, null, 'ok'], [60, 60, null, 'ok'], [61, 60, null, 'care'], [300, 60, null, 'care'], [301, 60, null, 'no'], [300, 60, 300, 'care'],
            [250, 1000, null, 'ok'], [251, 1000, null, 'care'], [325, 2200, 350, 'ok'], [325, 2200, 325, 'ok'], [325, 2200, 300, 'no'],
            [1000, 10_000, 1500, 'ok'], [1001, 10_000, 1500, 'care'], [1001, 10_000, 1000, 'no'],
        ] as [$volts, $ohms, $rated, $verdict]) {
            $asked = ['capacitance_f' => 1e-4, 'start_v' => $volts, 'resistor_ohm' => $ohms, ...($rated === null ? [] : ['resistor_v' => $rated])];
            self::assertSame($verdict, self::ask('discharge', $asked)['verdict'], json_encode($asked, JSON_THROW_ON_ERROR));
        }
    }

    public function test_a_meter_shows_the_average_of_a_square_and_that_is_correct(): void
    {
        $answer = self::ask('logic', ['family' => 'ttl', 'supply_v' => 5, 'square' => ['low_v' => 0, 'high_v' => 5, 'duty' => 0.5]]);
        self::assertSame(['toggling', 2.5], [$answer['level'], $answer['volts']]);
    }

    /** @return array<string, array{string, array<string, mixed>, string}> */
    public static function refused(): array
    {
        $supply = ['rails' => [['name' => '+5', 'nominal_v' => 5, 'max_a' => 1]]];

        return [
            'load on an unknown rail' => ['budget', ['supply' => $supply, 'loads' => [['name' => 'x', 'amps' => ['+9' => 1]]]], '/loads/0/amps/+9'],
            'negative load' => ['budget', ['supply' => $supply, 'loads' => [['name' => 'x', 'amps' => ['+5' => -1]]]], '/loads/0/amps/+5'],
            'a load twice' => [
                'budget',
                ['supply' => $supply, 'loads' => [['name' => 'x', 'amps' => new \stdClass()], ['name' => 'x', 'amps' => new \stdClass()]]],
                '/loads/1/name',
            ],
            'no amps at all' => [
                'budget',
                ['supply' => ['rails' => [['name' => '+5', 'nominal_v' => 5, 'max_a' => 0]]], 'loads' => []],
                '/supply/rails/0/max_a',
            ],
            'least above most' => [
                'budget',
                ['supply' => ['rails' => [['name' => '+5', 'nominal_v' => 5, 'max_a' => 1, 'min_a' => 2]]], 'loads' => []],
                '/supply/rails/0/min_a',
            ],
            'negative capacitance' => ['discharge', ['capacitance_f' => -1e-6, 'start_v' => 10, 'resistor_ohm' => 10], '/capacitance_f'],
            'no resistor' => ['discharge', ['capacitance_f' => 1e-6, 'start_v' => 10, 'resistor_ohm' => 0], '/resistor_ohm'],
            'volts and square' => [
                'logic',
                ['family' => 'ttl', 'supply_v' => 5, 'volts' => 1, 'square' => ['low_v' => 0, 'high_v' => 5, 'duty' => 0.5]],
                '/square',
            ],
            'neither' => ['logic', ['family' => 'ttl', 'supply_v' => 5], '/volts'],
            'duty above 1' => ['logic', ['family' => 'ttl', 'supply_v' => 5, 'square' => ['low_v' => 0, 'high_v' => 5, 'duty' => 1.1]], '/square/duty'],
            'an unknown family' => ['logic', ['family' => 'ecl', 'supply_v' => 5, 'volts' => 1], '/family'],
        ];
    }

    /** @param array<string, mixed> $document */
    #[DataProvider('refused')]
    public function test_bad_input(string $verb, array $document, string $pointer): void
    {
        try {
            self::ask($verb, $document);
            self::fail('was taken');
        } catch (InvalidDocument $fault) {
            self::assertSame($pointer, $fault->pointer);
        }
    }

    public function test_ripple_from_rms_agrees_with_a_sampled_sawtooth(): void
    {
        $samples = array_map(static fn (int $i): float => ($i + 0.5) / 10000 - 0.5, range(0, 9999));
        $rms = sqrt(array_sum(array_map(static fn (float $v): float => $v * $v, $samples)) / count($samples));
        self::assertEqualsWithDelta(1000.0, Ripple::fromRms($rms), 0.01);
    }
}
