<?php

declare(strict_types=1);

namespace Ash\Tests\Rails;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Each cause with the readings that trigger it, and next to it readings that just do not. Triggers: common practice, no source. */
final class CausesTest extends TestCase
{
    use Bench;

    private const P5 = ['name' => '+5', 'nominal_v' => 5, 'ripple_max_mvpp' => 50];
    private const P12 = ['name' => '+12', 'nominal_v' => 12, 'ripple_max_mvpp' => 120];
    private const M12 = ['name' => '-12', 'nominal_v' => -12, 'ripple_max_mvpp' => 120];
    private const BIAS = ['name' => '-5', 'nominal_v' => -5, 'limits_v' => ['low' => -5.7, 'high' => -4.5], 'protects' => ['+12', '+5'], 'needs_load' => false];

    /** @return array<string, mixed> */
    private static function r(
        string $rail,
        ?float $volts,
        string $load = 'working',
        string $point = 'supply',
        ?float $ripple = null,
        ?float $amps = null,
        ?float $ohms = null,
    ): array {
        return array_filter(
            ['rail' => $rail, 'volts' => $volts, 'load' => $load, 'point' => $point, 'ripple_mvpp' => $ripple, 'amps' => $amps, 'ohms_to_ground' => $ohms],
            static fn (mixed $it): bool => $it !== null,
        );
    }

    /**
     * Rails, readings, causes with their rails.
     *
     * @return iterable<string, array{list<array<string, mixed>>, list<array<string, mixed>>, array<string, list<string>>}>
     */
    public static function scenes(): iterable
    {
        $three = [self::P5, self::P12, self::M12];
        $r = self::r(...);
        yield 'all well' => [$three, [$r('+5', 5), $r('+12', 12), $r('-12', -12)], []];
        yield 'all absent' => [$three, [$r('+5', 0.49), $r('+12', 0.01), $r('-12', -1.1)], ['all_absent' => ['+5', '+12', '-12']]];
        yield 'one of them above a tenth: not all absent' => [$three, [$r('+5', 0.51), $r('+12', 0.01), $r('-12', 0)], [
            'dead_output' => ['+12', '-12'], 'weak_output' => ['+5'],
        ]];
        yield 'exactly a tenth is not absent' => [[self::P5, self::P12], [$r('+5', 0.5), $r('+12', 1.2)], ['several_weak' => ['+5', '+12']]];
        yield 'one rail alone is never all absent' => [[self::P5], [$r('+5', 0.0)], []];
        yield 'all scaled' => [$three, [$r('+5', 4.65), $r('+12', 11.16), $r('-12', -11.16)], ['all_scaled' => ['+5', '+12', '-12']]];
        yield 'scaled up' => [$three, [$r('+5', 5.2), $r('+12', 12.48), $r('-12', -12.48)], ['all_scaled' => ['+5', '+12', '-12']]];
        yield 'spread of 0.015 still belongs together' => [
            $three,
            [$r('+5', 4.6), $r('+12', 11.04), $r('-12', -11.22)],
            ['all_scaled' => ['+5', '+12', '-12']],
        ];
        yield 'spread above 0.015' => [$three, [$r('+5', 4.6), $r('+12', 11.04), $r('-12', -11.24)], ['several_weak' => ['+5', '+12']]];
        yield 'mean of 0.97 is ordinary' => [$three, [$r('+5', 4.85), $r('+12', 11.64), $r('-12', -11.64)], []];
        yield 'two rails are too few to be scaled' => [[self::P5, self::P12], [$r('+5', 4.65), $r('+12', 11.16)], ['several_weak' => ['+5', '+12']]];
        yield 'low with ripple' => [$three, [$r('+5', 5), $r('+12', 10.9, ripple: 300), $r('-12', -12)], ['low_with_ripple' => ['+12']]];
        yield 'two rails low: not one filter' => [$three, [$r('+5', 4.6), $r('+12', 10.9, ripple: 300), $r('-12', -12)], ['several_weak' => ['+5', '+12']]];
        yield 'low without ripple' => [$three, [$r('+5', 5), $r('+12', 10.9, ripple: 120), $r('-12', -12)], ['weak_output' => ['+12']]];
        yield 'an unloaded weak reading does not make the state' => [[self::P5, self::P12], [$r('+12', 10.9, 'none', ripple: 300), $r('+12', 12)], []];
        yield 'ripple high' => [$three, [$r('+5', 5, ripple: 51), $r('+12', 12), $r('-12', -12)], ['ripple_high' => ['+5']]];
        yield 'ripple on its limit is in' => [$three, [$r('+5', 5, ripple: 50)], []];
        yield 'sags under load' => [[self::P5], [$r('+5', 5.0, 'none'), $r('+5', 4.6)], ['sags_under_load' => ['+5']]];
        yield 'sags from partial to working' => [[self::P5], [$r('+5', 4.9, 'partial'), $r('+5', 4.6)], ['sags_under_load' => ['+5']]];
        yield 'weak at both loads is no sag' => [[self::P5], [$r('+5', 4.7, 'none'), $r('+5', 4.6)], ['weak_output' => ['+5']]];
        yield 'weak at the lower load only is no sag' => [[self::P5], [$r('+5', 4.7, 'none'), $r('+5', 5.0)], []];
        yield 'sag at another point is no sag of this one' => [[self::P5], [$r('+5', 4.8, 'none', 'supply'), $r('+5', 4.74, 'working', 'board')], [
            'weak_output' => ['+5'],
        ]];
        yield 'shorted' => [[self::P5], [$r('+5', null, 'none', ohms: 1.99)], ['shorted_rail' => ['+5']]];
        yield '2 ohms are suspicious, not shorted' => [[self::P5], [$r('+5', null, 'none', ohms: 2)], []];
        yield 'drop in path' => [[self::P5], [$r('+5', 5.05), $r('+5', 4.9, point: 'board')], ['drop_in_path' => ['+5']]];
        yield '50 mV are not yet a drop' => [[self::P5], [$r('+5', 5.05), $r('+5', 5.0, point: 'board')], []];
        yield 'on +12 it takes 1 % of nominal' => [[self::P12], [$r('+12', 12.0), $r('+12', 11.88, point: 'chip')], []];
        yield 'just above 1 %' => [[self::P12], [$r('+12', 12.0), $r('+12', 11.879, point: 'chip')], ['drop_in_path' => ['+12']]];
        yield 'another load is another circuit' => [[self::P5], [$r('+5', 5.05, 'none'), $r('+5', 4.8, 'working', 'board')], []];
        yield 'open path' => [[self::P12], [$r('+12', 12.0), $r('+12', 0.01, point: 'board')], ['open_path' => ['+12']]];
        yield 'exactly a tenth is a drop, not an opening' => [[self::P12], [$r('+12', 12.0), $r('+12', 1.2, point: 'board')], ['drop_in_path' => ['+12']]];
        yield 'over voltage' => [[self::P5], [$r('+5', 5.26)], ['over_voltage' => ['+5']]];
        yield 'on the limit is not over' => [[self::P5], [$r('+5', 5.25)], []];
        yield 'a negative rail goes over downwards' => [[self::M12], [$r('-12', -13.3)], ['over_voltage' => ['-12']]];
        yield 'reversed, and nothing else of that reading' => [[self::M12], [$r('-12', 11.9, ripple: 500)], ['reversed' => ['-12']]];
        yield 'a tenth the wrong way round is not reversed' => [[self::P5], [$r('+5', -0.5)], ['weak_output' => ['+5']]];
        yield 'bias unmeasured' => [[self::BIAS, self::P5, self::P12], [$r('+5', 5), $r('+12', 12)], ['bias_missing' => ['-5']]];
        yield 'bias weak' => [[self::BIAS, self::P5, self::P12], [$r('-5', -4.4, 'none'), $r('+5', 5), $r('+12', 12)], [
            'bias_missing' => ['-5'], 'weak_output' => ['-5'],
        ]];
        yield 'bias there' => [[self::BIAS, self::P5, self::P12], [$r('-5', -5, 'none'), $r('+5', 5), $r('+12', 12)], []];
        yield 'bias reversed is also missing: it goes by the state' => [
            [self::BIAS, self::P5, self::P12],
            [$r('-5', 5, 'none'), $r('+5', 5), $r('+12', 12)],
            ['reversed' => ['-5'], 'bias_missing' => ['-5']],
        ];
        yield 'too high under load stands, and does not stay' => [[self::P5], [$r('+5', 5.6), $r('+5', 5.0)], [
            'over_voltage' => ['+5'], 'unsteady' => ['+5'],
        ]];
        yield 'until something was changed' => [[self::P5], [$r('+5', 5.6), [...$r('+5', 5.0), 'changed' => true]], []];
        yield 'too high without load does not stand' => [[self::P5], [$r('+5', 5.3, 'none'), $r('+5', 5.2, 'none')], ['unsteady' => ['+5']]];
        yield 'a change on one rail leaves the others' => [[self::P5, self::P12], [$r('+5', 4.6), $r('+12', 12), [...$r('+12', 12), 'changed' => true]], [
            'weak_output' => ['+5'],
        ]];
        yield 'one output dead' => [$three, [$r('+5', 5), $r('+12', 0.3), $r('-12', -12)], ['dead_output' => ['+12']]];
        yield 'dead beside reversed' => [$three, [$r('+5', 5), $r('+12', 0.3), $r('-12', 12)], ['dead_output' => ['+12'], 'reversed' => ['-12']]];
        yield 'dead beyond an open path is the path' => [
            [self::P5, self::P12],
            [$r('+5', 5), $r('+12', 12), $r('+12', 0, point: 'chip')],
            ['open_path' => ['+12']],
        ];
        $standby = ['name' => '+5 standby', 'nominal_v' => 5, 'standby' => true, 'needs_load' => false];
        yield 'only the standby' => [[$standby, ...$three], [$r('+5 standby', 5.05, 'none'), $r('+5', 0), $r('+12', 0.01)], ['standby_only' => ['+5', '+12']]];
        yield 'standby dead too' => [[$standby, self::P5], [$r('+5 standby', 0, 'none'), $r('+5', 0)], ['all_absent' => ['+5 standby', '+5']]];
        yield 'standby weak' => [
            [$standby, self::P5],
            [$r('+5 standby', 4.6, 'none'), $r('+5', 0)],
            ['dead_output' => ['+5'], 'weak_output' => ['+5 standby']],
        ];
        yield 'standby alone is measured' => [[$standby, self::P5], [$r('+5 standby', 5, 'none')], []];
        yield 'exchanged' => [[self::P5, self::P12], [$r('+5', 12.1), $r('+12', 5.02)], ['exchanged' => ['+5', '+12']]];
        yield 'exchanged is no over-voltage, no weak rail and nothing scaled' => [
            [self::P5, self::P12, ['name' => '+3', 'nominal_v' => 3]],
            [$r('+5', 12.1), $r('+12', 5.02), $r('+3', 2.5)],
            ['exchanged' => ['+5', '+12'], 'weak_output' => ['+3']],
        ];
        yield 'not at another point' => [[self::P5, self::P12], [$r('+5', 12.1), $r('+12', 5.02, point: 'board')], [
            'over_voltage' => ['+5'], 'weak_output' => ['+12'],
        ]];
        yield 'not of another sign' => [[self::P12, self::M12], [$r('+12', -12), $r('-12', 12)], ['reversed' => ['+12', '-12']]];
        yield 'exchanged, put right: what was read so does not stand' => [
            [self::P5, self::P12],
            [$r('+5', 12.1), $r('+12', 5.02), $r('+5', 5.0), $r('+12', 12.0)],
            ['unsteady' => ['+5', '+12']],
        ];
        yield 'unsteady the other way round' => [[self::P5], [$r('+5', 5.0), $r('+5', 0.2)], ['unsteady' => ['+5']]];
        yield 'at another load it is no unsteadiness' => [[self::P5], [$r('+5', 5.0, 'partial'), $r('+5', 4.6)], ['sags_under_load' => ['+5']]];
        $good = ['name' => '+5', 'nominal_v' => 5, 'ohms_good' => 100];
        yield 'low resistance' => [[$good], [$r('+5', null, 'none', ohms: 29.9)], ['low_resistance' => ['+5']]];
        yield '0.3 of a good one is enough' => [[$good], [$r('+5', null, 'none', ohms: 30)], []];
        yield 'the leads are taken off' => [[$good], [[...$r('+5', null, 'none', ohms: 30.5), 'lead_ohm' => 0.6]], ['low_resistance' => ['+5']]];
        yield 'and never leave less than nothing' => [[$good], [[...$r('+5', null, 'none', ohms: 0.1), 'lead_ohm' => 0.6]], ['shorted_rail' => ['+5']]];
        yield 'a short stands whatever voltage was read since' => [[$good], [$r('+5', null, 'none', ohms: 0.6), $r('+5', 5), $r('+5', 5, 'partial')], [
            'shorted_rail' => ['+5'],
        ]];
        yield 'until resistance is read there again, at whatever load' => [[$good], [$r('+5', null, 'none', ohms: 0.6), $r('+5', null, ohms: 99)], []];
        yield 'at another point it stands' => [
            [$good],
            [$r('+5', null, 'none', ohms: 0.6), $r('+5', null, 'none', 'chip', ohms: 99)],
            ['shorted_rail' => ['+5']],
        ];
        $ac = ['name' => '9 AC', 'nominal_v' => 9, 'kind' => 'ac'];
        yield 'alternating, 10 % either way' => [[$ac], [$r('9 AC', 8.1)], []];
        yield 'alternating and weak' => [[$ac], [$r('9 AC', 8.05)], ['weak_output' => ['9 AC']]];
        yield 'alternating does not change places with direct' => [[$ac, ['name' => '+18', 'nominal_v' => 18]], [$r('9 AC', 18), $r('+18', 9)], [
            'over_voltage' => ['9 AC'], 'weak_output' => ['+18'],
        ]];
        yield 'a slip pulls nothing' => [[self::P5, self::P12], [$r('+5', 5020), $r('+12', 12)], []];
        yield 'a slip replaces nothing' => [[self::P5], [$r('+5', 4.6), $r('+5', 5020)], ['weak_output' => ['+5']]];
        yield 'a slip counts as measured' => [[self::P5, self::P12], [$r('+5', 5020), $r('+12', 0)], ['dead_output' => ['+12']]];
        yield 'of a ripple only the ripple slips' => [[self::P5], [$r('+5', 4.6, ripple: 0.3)], ['weak_output' => ['+5']]];
        yield 'a slipped ripple replaces none' => [[self::P5], [$r('+5', 5.0, ripple: 300), $r('+5', 5.0, ripple: 0.3)], ['ripple_high' => ['+5']]];
        yield 'ohms alone do not replace a voltage' => [
            [self::P5],
            [$r('+5', 4.6), $r('+5', null, ohms: 90), $r('+5', 5.0, 'none')],
            ['sags_under_load' => ['+5']],
        ];
    }

    /**
     * @param list<array<string, mixed>>  $rails
     * @param list<array<string, mixed>>  $readings
     * @param array<string, list<string>> $causes
     */
    #[DataProvider('scenes')]
    public function test_causes(array $rails, array $readings, array $causes): void
    {
        $found = self::judge($rails, $readings)['causes'];
        self::assertEquals($causes, array_combine(array_column($found, 'code'), array_column($found, 'rails')));
        foreach ($found as $cause) {
            self::assertNotSame([], $cause['evidence']);
            self::assertStringEndsWith('.', $cause['text']);
        }
    }

    public function test_with_a_current_the_drop_says_milliohms_and_watts(): void
    {
        // 0.15 V at 2.5 A: R = U/I = 60 milliohm, P = U*I = 0.375 W.
        $cause = self::judge([self::P5], [self::r('+5', 5.05, amps: 2.5), self::r('+5', 4.9, point: 'board')])['causes'][0];
        self::assertStringContainsString('60 mΩ', $cause['text']);
        self::assertStringContainsString('0.375 W', $cause['text']);
    }

    /** @return iterable<string, array{list<array<string, mixed>>, list<array<string, mixed>>, string}> */
    public static function advice(): iterable
    {
        $r = self::r(...);
        yield 'all in' => [[self::P5, self::P12], [$r('+5', 5), $r('+12', 12)], 'ok'];
        yield 'one not measured' => [[self::P5, self::P12], [$r('+5', 5)], 'hold'];
        yield 'an optional one may stay unmeasured' => [[self::P5, ['name' => '-12', 'nominal_v' => -12, 'optional' => true]], [$r('+5', 5)], 'ok'];
        yield 'an optional one that is out holds' => [
            [self::P5, ['name' => '-12', 'nominal_v' => -12, 'optional' => true]],
            [$r('+5', 5), $r('-12', -9)],
            'hold',
        ];
        yield 'measured without load only' => [[self::P5], [$r('+5', 5, 'none')], 'hold'];
        yield 'weak' => [[self::P5], [$r('+5', 4.6)], 'hold'];
        yield 'ripple out' => [[self::P5], [$r('+5', 5, ripple: 80)], 'hold'];
        yield 'over under load' => [[self::P5], [$r('+5', 5.4)], 'stop'];
        yield 'over without load, below 115 %' => [[self::P5], [$r('+5', 5.6, 'none'), $r('+5', 5.0)], 'ok'];
        yield 'exactly 115 % without load' => [[self::P5], [$r('+5', 5.75, 'none'), $r('+5', 5.0)], 'ok'];
        yield 'above 115 % without load' => [[self::P5], [$r('+5', 5.76, 'none'), $r('+5', 5.0)], 'stop'];
        yield 'over on a rail that needs no load' => [[self::BIAS, self::P5, self::P12], [$r('-5', -5.8, 'none'), $r('+5', 5), $r('+12', 12)], 'stop'];
        yield 'reversed' => [[self::P5, self::M12], [$r('+5', 5), $r('-12', 12)], 'stop'];
        yield 'shorted' => [[self::P5], [$r('+5', 5, ohms: 1.5)], 'stop'];
        yield 'bias unmeasured' => [[self::BIAS, self::P5, self::P12], [$r('+5', 5), $r('+12', 12)], 'stop'];
        yield 'bias in' => [[self::BIAS, self::P5, self::P12], [$r('-5', -5, 'none'), $r('+5', 5), $r('+12', 12)], 'ok'];
        yield 'worst of two points decides' => [[self::P5], [$r('+5', 5), $r('+5', 4.6, point: 'chip')], 'hold'];
        yield 'repeated and well is unsteady' => [[self::P5], [$r('+5', 4.6), $r('+5', 5)], 'hold'];
        yield 'repaired and well' => [[self::P5], [$r('+5', 4.6), [...$r('+5', 5), 'changed' => true]], 'ok'];
        yield 'over under load stands' => [[self::P5], [$r('+5', 5.4), $r('+5', 5)], 'stop'];
        yield 'exchanged' => [[self::P5, self::P12], [$r('+5', 12.1), $r('+12', 5.02)], 'stop'];
        yield 'exchanged and put right' => [[self::P5, self::P12], [$r('+5', 12.1), $r('+12', 5.02), $r('+5', 5), $r('+12', 12)], 'hold'];
        yield 'above 115 % and inside wide limits' => [
            [['name' => '+5', 'nominal_v' => 5, 'limits_v' => ['low' => 4, 'high' => 7]]], [$r('+5', 6.5, 'none'), $r('+5', 5)], 'ok',
        ];
        yield 'low resistance' => [[['name' => '+5', 'nominal_v' => 5, 'ohms_good' => 100]], [$r('+5', 5, ohms: 20)], 'hold'];
        yield 'a slip' => [[self::P5], [$r('+5', 5020)], 'hold'];
        yield 'a slip after a good one' => [[self::P5], [$r('+5', 5), $r('+5', 5020)], 'hold'];
        yield 'a slip read again' => [[self::P5], [$r('+5', 5020), $r('+5', 5)], 'ok'];
        yield 'a slip read again at another point' => [[self::P5], [$r('+5', 5020), $r('+5', 5, point: 'board')], 'hold'];
        yield 'a slip the wrong way round stops nothing' => [[self::P5], [$r('+5', -5020)], 'hold'];
        yield 'a slip on an optional rail' => [[self::P5, ['name' => '+8', 'nominal_v' => 8, 'optional' => true]], [$r('+5', 5), $r('+8', 8000)], 'hold'];
        yield 'a slipped ripple' => [[self::P5], [$r('+5', 5, ripple: 0.05)], 'hold'];
        yield 'a small ripple on a rail with a small limit' => [
            [['name' => '+5', 'nominal_v' => 5, 'ripple_max_mvpp' => 19]],
            [$r('+5', 5, ripple: 0.05)],
            'ok',
        ];
        yield 'bias has a slip only' => [[self::BIAS, self::P5, self::P12], [$r('-5', -5000, 'none')], 'stop'];
    }

    /**
     * @param list<array<string, mixed>> $rails
     * @param list<array<string, mixed>> $readings
     */
    #[DataProvider('advice')]
    public function test_power_on_advice(array $rails, array $readings, string $advice): void
    {
        $answer = self::judge($rails, $readings);
        self::assertSame($advice, $answer['power_on']);
        self::assertNotSame([], $answer['power_on_reasons']);
    }

    public function test_in_a_run_a_short_stands_until_the_resistance_is_measured_again(): void
    {
        $rails = \Ash\Rails\Rail::readAll(\Ash\Document\Node::parse('[{"name": "+5", "nominal_v": 5}]'));
        $at = static fn (?float $volts, ?float $ohms): \Ash\Rails\Reading => new \Ash\Rails\Reading('+5', $volts, \Ash\Rails\Load::None, ohmsToGround: $ohms);
        $codes = static fn (\Ash\Rails\Reading ...$readings): array => array_column(
            \Ash\Rails\Judgement::of($rails, \Ash\Rails\MeterAccuracy::of(0, 0, 0), array_values($readings))->causes,
            'code',
        );
        self::assertSame([\Ash\Rails\CauseCode::ShortedRail], $codes($at(null, 0.6), $at(5.0, null)));
        self::assertSame([], $codes($at(null, 0.6), $at(5.0, null), $at(null, 90)));
    }

    public function test_over_voltage_counts_the_guard_band(): void
    {
        $meter = ['reading_pct' => 1, 'counts' => 0, 'resolution_v' => 0];
        self::assertSame('hold', self::judge([self::P5], [self::r('+5', 5.29)], $meter)['power_on']);
        self::assertSame('stop', self::judge([self::P5], [self::r('+5', 5.31)], $meter)['power_on']);
    }
}
