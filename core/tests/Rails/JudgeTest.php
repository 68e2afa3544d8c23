<?php

declare(strict_types=1);

namespace Ash\Tests\Rails;

use Ash\Document\InvalidDocument;
use Eris\Generators;
use Eris\TestTrait;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class JudgeTest extends TestCase
{
    use Bench;
    use TestTrait;

    private const EXACT = ['reading_pct' => 0, 'counts' => 0, 'resolution_v' => 0];
    private const HAND_HELD = ['reading_pct' => 0.5, 'counts' => 2, 'resolution_v' => 0.01];

    /**
     * Windows of the handbook's table, with their sources.
     *
     * @return array<string, array{array<string, mixed>, float, float}>
     */
    public static function windows(): array
    {
        $atx = 'ATX12V Power Supply Design Guide 2.2, DC output regulation (from memory)';

        return [
            "+12 V, {$atx}" => [['nominal_v' => 12], 11.40, 12.60],
            "+5 V, {$atx}" => [['nominal_v' => 5], 4.75, 5.25],
            "+3.3 V, {$atx}: 3.14 to 3.47 in the table, which rounds" => [['nominal_v' => 3.3], 3.135, 3.465],
            "-12 V, {$atx}" => [['nominal_v' => -12], -13.20, -10.80],
            '-5 V, earlier editions of that guide (from memory)' => [['nominal_v' => -5], -5.50, -4.50],
            '74-series logic, TI SN74xx data sheets, recommended operating conditions' => [
                ['nominal_v' => 5, 'tolerance' => ['minus_pct' => 5, 'plus_pct' => 5]],
                4.75,
                5.25,
            ],
            '54-series and three-supply dynamic RAM +5, data sheets (from memory)' => [
                ['nominal_v' => 5, 'tolerance' => ['minus_pct' => 10, 'plus_pct' => 10]],
                4.5,
                5.5,
            ],
            'three-supply dynamic RAM +12, data sheets (from memory)' => [
                ['nominal_v' => 12, 'tolerance' => ['minus_pct' => 10, 'plus_pct' => 10]],
                10.8,
                13.2,
            ],
            '-5 V bias of three-supply dynamic RAM, data sheets (from memory)' => [
                ['nominal_v' => -5, 'limits_v' => ['low' => -5.7, 'high' => -4.5]],
                -5.7,
                -4.5,
            ],
            'early office machine +5, common practice, no source' => [['nominal_v' => 5, 'tolerance' => ['minus_pct' => 4, 'plus_pct' => 5]], 4.8, 5.25],
            'early office machine +12, common practice, no source' => [['nominal_v' => 12, 'tolerance' => ['minus_pct' => 4, 'plus_pct' => 5]], 11.52, 12.6],
            'early office machine -5, common practice, no source' => [['nominal_v' => -5, 'tolerance' => ['minus_pct' => 8, 'plus_pct' => 10]], -5.5, -4.6],
            'early office machine -12, common practice, no source' => [
                ['nominal_v' => -12, 'tolerance' => ['minus_pct' => 9, 'plus_pct' => 10]],
                -13.2,
                -10.92,
            ],
        ];
    }

    /** @param array<string, mixed> $rail */
    #[DataProvider('windows')]
    public function test_published_windows_hold_at_their_edges_and_not_beyond(array $rail, float $low, float $high): void
    {
        $readings = array_map(
            static fn (float $volts): array => ['rail' => 'r', 'volts' => $volts, 'load' => 'working'],
            [$low, $high, $low - 0.001, $high + 0.001, ($low + $high) / 2],
        );
        $answer = self::judge([['name' => 'r', ...$rail]], $readings, self::EXACT);

        self::assertSame(['in', 'in', 'out', 'out', 'in'], array_column($answer['verdicts'], 'verdict'));
        self::assertEqualsWithDelta($low, $answer['verdicts'][0]['limits_v']['low'], 1e-12);
        self::assertEqualsWithDelta($high, $answer['verdicts'][0]['limits_v']['high'], 1e-12);
    }

    public function test_ten_point_eight_is_out_of_the_tight_band_and_on_the_edge_of_the_wide_one(): void
    {
        $reading = [['rail' => '+12', 'volts' => 10.8, 'load' => 'working']];
        self::assertSame('out', self::judge([['name' => '+12', 'nominal_v' => 12]], $reading, self::EXACT)['verdicts'][0]['verdict']);
        self::assertSame(
            'in',
            self::judge(
                [['name' => '+12', 'nominal_v' => 12, 'tolerance' => ['minus_pct' => 10, 'plus_pct' => 10]]],
                $reading,
                self::EXACT,
            )['verdicts'][0]['verdict'],
        );
    }

    /**
     * The hand-held meter of the handbook at 5 V: guard 0.5 % of reading + 20 mV.
     *
     * @return list<array{float, string}>
     */
    public static function guarded(): array
    {
        // 4.75 + g = v with g = 0.005 v + 0.02 gives v = 4.77/0.995; 4.75 - g = v gives v = 4.73/1.005.
        return [
            [4.77 / 0.995, 'in'], [4.77 / 0.995 - 1e-6, 'in_close'], [4.75, 'in_close'], [4.75 - 1e-6, 'out_close'], [4.73 / 1.005, 'out_close'],
            [4.73 / 1.005 - 1e-6, 'out'],
            [5.23 / 1.005, 'in'], [5.23 / 1.005 + 1e-6, 'in_close'], [5.25, 'in_close'], [5.25 + 1e-6, 'out_close'], [5.27 / 0.995, 'out_close'],
            [5.27 / 0.995 + 1e-6, 'out'],
        ];
    }

    #[DataProvider('guarded')]
    public function test_the_guard_band_keeps_a_reading_near_a_limit_from_being_called_good_or_bad(float $volts, string $verdict): void
    {
        $judged = self::judge([['name' => '+5', 'nominal_v' => 5]], [['rail' => '+5', 'volts' => $volts, 'load' => 'working']], self::HAND_HELD)['verdicts'][0];
        self::assertSame($verdict, $judged['verdict']);
        self::assertEqualsWithDelta(0.005 * $volts + 0.02, $judged['guard_v'], 1e-12);
    }

    /**
     * R 4.2.2: u <- g/sqrt(3); pnorm((high-v)/u) - pnorm((low-v)/u).
     *
     * @return list<array{float, float, float, float, float}>
     */
    public static function conformance(): array
    {
        return [
            [4.75, 4.75, 5.25, 0.5, 0.02], [4.80, 4.75, 5.25, 0.97547975941654963, 0.02], [5.24, 4.75, 5.25, 0.64613361136135961, 0.02],
            [11.35, 11.4, 12.6, 0.12958145306549129, 0.02],
            [12.63, 11.4, 12.6, 0.26601404716097554, 0.02], [-10.85, -13.2, -10.92, 0.051243978867178117, 0.02],
            [5.3, 4.75, 5.25, 0.031271940384089328, 0.02], [10.8, 11.4, 12.6, 0.0, 0.02],
        ];
    }

    #[DataProvider('conformance')]
    public function test_conformance_probability_agrees_with_r(float $volts, float $low, float $high, float $probability): void
    {
        $rail = ['name' => 'r', 'nominal_v' => $low > 0 ? ($low + $high) / 2 : -12, 'limits_v' => ['low' => $low, 'high' => $high]];
        $judged = self::judge([$rail], [['rail' => 'r', 'volts' => $volts, 'load' => 'working']], self::HAND_HELD)['verdicts'][0];
        self::assertEqualsWithDelta($probability, $judged['conformance_probability'], 1e-9);
    }

    public function test_a_negative_rail_is_judged_like_its_mirror_image(): void
    {
        $this->forAll(Generators::choose(1, 2000))->then(static function (int $centivolts): void {
            $volts = $centivolts / 100;
            $limits = ['tolerance' => ['minus_pct' => 8, 'plus_pct' => 5]];
            [$plus, $minus] = [
                self::judge([['name' => 'r', 'nominal_v' => 12, ...$limits]], [['rail' => 'r', 'volts' => $volts, 'load' => 'working']], self::HAND_HELD),
                self::judge([['name' => 'r', 'nominal_v' => -12, ...$limits]], [['rail' => 'r', 'volts' => -$volts, 'load' => 'working']], self::HAND_HELD),
            ];
            self::assertSame($plus['verdicts'][0]['verdict'], $minus['verdicts'][0]['verdict']);
            self::assertEqualsWithDelta($plus['verdicts'][0]['conformance_probability'], $minus['verdicts'][0]['conformance_probability'], 1e-12);
            self::assertSame($plus['power_on'], $minus['power_on']);
            self::assertSame(array_column($plus['causes'], 'code'), array_column($minus['causes'], 'code'));
        });
    }

    public function test_a_better_meter_never_turns_in_into_out(): void
    {
        $this->forAll(Generators::choose(400, 600), Generators::choose(0, 30))->then(static function (int $centivolts, int $counts): void {
            $judge = static fn (int $counts): string => self::judge(
                [['name' => 'r', 'nominal_v' => 5]],
                [['rail' => 'r', 'volts' => $centivolts / 100, 'load' => 'working']],
                ['reading_pct' => 0, 'counts' => $counts, 'resolution_v' => 0.001],
            )['verdicts'][0]['verdict'];
            self::assertSame(str_starts_with($judge($counts), 'in'), str_starts_with($judge(0), 'in'));
        });
    }

    public function test_what_proves_nothing_is_said_to_prove_nothing(): void
    {
        $rails = [['name' => '+5', 'nominal_v' => 5], ['name' => '-5', 'nominal_v' => -5, 'needs_load' => false]];
        $answer = self::judge(
            $rails,
            [
                ['rail' => '+5', 'volts' => 5.0, 'load' => 'none'],
                ['rail' => '-5', 'volts' => -5.0, 'load' => 'none'],
                ['rail' => '+5', 'load' => 'none', 'ohms_to_ground' => 5],
            ],
            self::HAND_HELD,
        );
        self::assertSame([false, true, false], array_column($answer['verdicts'], 'conclusive'));
        self::assertSame('hold', $answer['power_on']);
        self::assertSame([null, null], [((array) $answer['verdicts'][2])['verdict'], ((array) $answer['verdicts'][2])['guard_v']]);
        self::assertStringContainsString('suspicious', implode(' ', $answer['verdicts'][2]['reasons']));
        self::assertSame([], $answer['causes']);

        $coarse = self::judge([$rails[0]], [['rail' => '+5', 'volts' => 5.0, 'load' => 'working']], ['reading_pct' => 5, 'counts' => 0, 'resolution_v' => 0]);
        self::assertTrue($coarse['verdicts'][0]['meter_unfit']);
        self::assertFalse($coarse['verdicts'][0]['conclusive']);
    }

    public function test_deviation_is_negative_when_weak_on_both_polarities(): void
    {
        $answer = self::judge(
            [['name' => 'a', 'nominal_v' => 12], ['name' => 'b', 'nominal_v' => -12]],
            [['rail' => 'a', 'volts' => 10.8, 'load' => 'working'], ['rail' => 'b', 'volts' => -10.8, 'load' => 'working']],
            self::HAND_HELD,
        );
        self::assertEqualsWithDelta([-10.0, -10.0], array_column($answer['verdicts'], 'deviation_pct'), 1e-9);
    }

    /** @return array<string, array{array<string, mixed>, string}> */
    public static function refused(): array
    {
        $rail = ['name' => '+5', 'nominal_v' => 5];
        $reading = ['rail' => '+5', 'volts' => 5, 'load' => 'working'];
        $ask = static fn (array $change): array => [...['rails' => [$rail], 'meter' => self::EXACT, 'readings' => [$reading]], ...$change];

        return [
            'nominal 0' => [$ask(['rails' => [['name' => '+5', 'nominal_v' => 0]]]), '/rails/0/nominal_v'],
            'a name twice' => [$ask(['rails' => [$rail, $rail]]), '/rails/1/name'],
            'no rail' => [$ask(['rails' => []]), '/rails'],
            'tolerance and limits' => [
                $ask(['rails' => [[...$rail, 'tolerance' => ['minus_pct' => 5, 'plus_pct' => 5], 'limits_v' => ['low' => 4, 'high' => 6]]]]),
                '/rails/0/limits_v',
            ],
            'low above high' => [$ask(['rails' => [[...$rail, 'limits_v' => ['low' => 6, 'high' => 4]]]]), '/rails/0/limits_v'],
            'low equal to high' => [$ask(['rails' => [[...$rail, 'limits_v' => ['low' => 5, 'high' => 5]]]]), '/rails/0/limits_v'],
            'optional and protects' => [
                $ask(['rails' => [$rail, ['name' => '-5', 'nominal_v' => -5, 'optional' => true, 'protects' => ['+5']]]]),
                '/rails/1/optional',
            ],
            'protects an unknown rail' => [$ask(['rails' => [[...$rail, 'protects' => ['+9']]]]), '/rails/0/protects/0'],
            'an unknown rail read' => [$ask(['readings' => [['rail' => '+9', 'volts' => 5, 'load' => 'working']]]), '/readings/0/rail'],
            'neither volts nor ohms' => [$ask(['readings' => [['rail' => '+5', 'load' => 'working']]]), '/readings/0'],
            'a text for volts' => [$ask(['readings' => [[...$reading, 'volts' => '5']]]), '/readings/0/volts'],
            'null for volts' => [$ask(['readings' => [[...$reading, 'volts' => null]]]), '/readings/0/volts'],
            'an unknown load' => [$ask(['readings' => [[...$reading, 'load' => 'heavy']]]), '/readings/0/load'],
            'no load said' => [$ask(['readings' => [['rail' => '+5', 'volts' => 5]]]), '/readings/0/load'],
            'negative ripple' => [$ask(['readings' => [[...$reading, 'ripple_mvpp' => -1]]]), '/readings/0/ripple_mvpp'],
            'negative ohms' => [$ask(['readings' => [[...$reading, 'ohms_to_ground' => -1]]]), '/readings/0/ohms_to_ground'],
            'negative accuracy' => [$ask(['meter' => ['reading_pct' => -1, 'counts' => 0, 'resolution_v' => 0]]), '/meter/reading_pct'],
            'half a meter' => [$ask(['meter' => ['reading_pct' => 1]]), '/meter/counts'],
            'an unknown field' => [$ask(['readings' => [[...$reading, 'colour' => 'red']]]), '/readings/0/colour'],
            'an unknown field at the top' => [$ask(['lamp' => true]), '/lamp'],
            'a list where an object belongs' => [$ask(['meter' => []]), '/meter'],
            'AC that is negative' => [$ask(['rails' => [['name' => 'AC', 'nominal_v' => -9, 'kind' => 'ac']], 'readings' => []]), '/rails/0/nominal_v'],
            'AC with a ripple limit' => [
                $ask(['rails' => [['name' => 'AC', 'nominal_v' => 9, 'kind' => 'ac', 'ripple_max_mvpp' => 50]], 'readings' => []]), '/rails/0/ripple_max_mvpp',
            ],
            'AC that protects' => [
                $ask(['rails' => [$rail, ['name' => 'AC', 'nominal_v' => 9, 'kind' => 'ac', 'protects' => ['+5']]], 'readings' => []]), '/rails/1/protects',
            ],
            'AC read with a ripple' => [
                $ask(['rails' => [[...$rail, 'kind' => 'ac']], 'readings' => [[...$reading, 'ripple_mvpp' => 1]]]), '/readings/0/ripple_mvpp',
            ],
            'AC read negative' => [$ask(['rails' => [[...$rail, 'kind' => 'ac']], 'readings' => [[...$reading, 'volts' => -5]]]), '/readings/0/volts'],
            'a kind that is none' => [$ask(['rails' => [[...$rail, 'kind' => 'rf']]]), '/rails/0/kind'],
            'a good one of no ohms' => [$ask(['rails' => [[...$rail, 'ohms_good' => 0]]]), '/rails/0/ohms_good'],
            'leads of less than nothing' => [$ask(['readings' => [[...$reading, 'ohms_to_ground' => 5, 'lead_ohm' => -1]]]), '/readings/0/lead_ohm'],
            'changed as a word' => [$ask(['readings' => [[...$reading, 'changed' => 'yes']]]), '/readings/0/changed'],
            'an object where a list belongs' => [$ask(['readings' => ['a' => 1]]), '/readings'],
        ];
    }

    /** @param array<string, mixed> $document */
    #[DataProvider('refused')]
    public function test_bad_input_is_refused_with_its_place(array $document, string $pointer): void
    {
        try {
            self::ask('judge', $document);
            self::fail('was taken');
        } catch (InvalidDocument $fault) {
            self::assertSame($pointer, $fault->pointer);
            self::assertNotSame('', $fault->detail);
        }
    }
}
