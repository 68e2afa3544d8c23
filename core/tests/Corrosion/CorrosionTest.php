<?php

declare(strict_types=1);

namespace Ash\Tests\Corrosion;

use Ash\Corrosion\CorrosionRoom;
use Ash\Corrosion\Trace;
use Ash\Corrosion\Wire;
use Ash\Tests\Asks;
use Eris\Generators;
use Eris\TestTrait;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class CorrosionTest extends TestCase
{
    use Asks;
    use TestTrait;

    /**
     * American Wire Gauge, ASTM B258 (solid round wire): diameter in mm and ohm a kilometre of annealed copper at 20 C, as wire
     * tables print them (from memory).
     *
     * @return list<array{int, float, float}>
     */
    public static function gauges(): array
    {
        return [
            [18, 1.024, 20.95],
            [20, 0.812, 33.31],
            [22, 0.644, 52.96],
            [24, 0.511, 84.22],
            [26, 0.405, 133.9],
            [28, 0.321, 212.9],
            [30, 0.255, 338.6],
            [36, 0.127, 1361],
        ];
    }

    #[DataProvider('gauges')]
    public function test_wire_agrees_with_the_wire_tables(int $awg, float $diameter, float $ohmPerKm): void
    {
        self::assertEqualsWithDelta($diameter, Wire::diameterMm($awg), 0.0006);
        self::assertEqualsWithDelta($ohmPerKm, Wire::ohms($awg, 1e6), $ohmPerKm * 0.002);
    }

    public function test_an_ounce_of_copper_has_half_a_milliohm_a_square(): void
    {
        // IACS copper (IEC 60028), 1.724e-8 ohm m over 34.8 um: 0.495 milliohm a square, the trade's half a milliohm.
        self::assertEqualsWithDelta(0.000495, (new Trace(1, 1, 1))->ohms(), 1e-6);
        self::assertEqualsWithDelta((new Trace(10, 1, 1))->ohms(), (new Trace(20, 1, 2))->ohms(), 1e-15);
    }

    /**
     * IPC-2221, outer layer, 1 oz, 10 C rise: about 12 mil for 1 A, 30 mil for 2 A; inner layers about 31 mil for 1 A
     * (as width calculators print them, from memory).
     *
     * @return list<array{float, bool, float}>
     */
    public static function tracks(): array
    {
        return [[11.8, true, 1.0], [30.8, true, 2.0], [30.8, false, 1.0]];
    }

    #[DataProvider('tracks')]
    public function test_trace_capacity_agrees_with_ipc_2221(float $mil, bool $outer, float $amps): void
    {
        self::assertEqualsWithDelta($amps, Trace::capacity($mil * 0.0254, 1, $outer, 10), $amps * 0.02);
    }

    /** @return array<string, array{array<string, mixed>, ?float, string}> document, net ohm, verdict */
    public static function continuities(): array
    {
        return [
            'zeroed leads' => [['measured_ohm' => 0.45, 'lead_ohm' => 0.15], 0.3, 'sound'],
            'just above' => [['measured_ohm' => 0.451, 'lead_ohm' => 0.15], 0.301, 'thin'],
            'five ohms' => [['measured_ohm' => 5.15, 'lead_ohm' => 0.15], 5.0, 'thin'],
            'above five' => [['measured_ohm' => 5.16, 'lead_ohm' => 0.15], 5.01, 'open'],
            'the meter shows open' => [['measured_ohm' => null, 'lead_ohm' => 0.15], null, 'open'],
            'less than the leads' => [['measured_ohm' => 0.1, 'lead_ohm' => 0.15], 0.0, 'sound'],
            'a supply trace may lose 50 mV: 0.1 ohm at 0.5 A' => [['measured_ohm' => 0.2, 'lead_ohm' => 0, 'amps' => 0.5], 0.2, 'thin'],
            'and is sound at 0.1 ohm' => [['measured_ohm' => 0.1, 'lead_ohm' => 0, 'amps' => 0.5], 0.1, 'sound'],
            'a small current does not widen it' => [['measured_ohm' => 0.31, 'lead_ohm' => 0, 'amps' => 0.001], 0.31, 'thin'],
            'no current is as none said' => [['measured_ohm' => 0.3, 'lead_ohm' => 0, 'amps' => 0], 0.3, 'sound'],
            'a long thin trace is expected to have some' => [
                ['measured_ohm' => 0.45, 'lead_ohm' => 0, 'trace' => ['length_mm' => 100, 'width_mm' => 0.25, 'copper_oz' => 1]],
                0.45,
                'sound',
            ],
        ];
    }

    /** @param array<string, mixed> $document */
    #[DataProvider('continuities')]
    public function test_continuity(array $document, ?float $net, string $verdict): void
    {
        $answer = self::put(new CorrosionRoom(), 'continuity', $document);
        self::assertSame($verdict, $answer['verdict']);
        $net === null ? self::assertNull($answer['net_ohm']) : self::assertEqualsWithDelta($net, $answer['net_ohm'], 1e-12);
        self::assertNotSame([], $answer['reasons']);
    }

    public function test_the_thinnest_even_gauge_is_chosen(): void
    {
        $room = new CorrosionRoom();
        self::assertSame(30, self::put($room, 'wire', ['amps' => 0.1, 'length_mm' => 100])['awg']);
        // 0.5 A is 9.82 A/mm2 in AWG 30 and 0.52 A is 10.2: the next one.
        self::assertSame(
            [30, 28],
            [self::put($room, 'wire', ['amps' => 0.5, 'length_mm' => 10])['awg'], self::put($room, 'wire', ['amps' => 0.52, 'length_mm' => 10])['awg']],
        );
        self::assertSame(24, self::put($room, 'wire', ['amps' => 0.1, 'length_mm' => 5000])['awg'], '0.421 ohm: 42 mV');
        $none = self::put($room, 'wire', ['amps' => 10, 'length_mm' => 100]);
        self::assertSame([null, null, null], [$none['awg'], $none['ohm'], $none['drop_v']]);
        self::assertNull($none['trace_capacity_a']);
        self::assertEqualsWithDelta(
            Trace::capacity(1, 1, false, 20),
            self::put(
                $room,
                'wire',
                ['amps' => 5, 'length_mm' => 100, 'max_rise_c' => 20, 'trace' => ['width_mm' => 1, 'copper_oz' => 1, 'layer' => 'inner']],
            )['trace_capacity_a'],
            1e-12,
        );
    }

    public function test_a_thicker_wire_never_raises_the_drop_and_a_longer_way_never_thins_the_wire(): void
    {
        $this->forAll(
            Generators::choose(10, 30),
            Generators::choose(1, 1000),
            Generators::choose(1, 3000),
        )->then(static function (int $awg, int $length, int $milliamps): void {
            self::assertLessThan(Wire::ohms($awg, $length), Wire::ohms($awg - 1, $length));
            $near = Wire::choose($milliamps / 1000, $length);
            $far = Wire::choose($milliamps / 1000, $length * 2);
            self::assertTrue($far->awg === null || ($near->awg !== null && $far->awg <= $near->awg));
        });
    }

    public function test_bad_input_is_refused_with_its_place(): void
    {
        $room = new CorrosionRoom();
        self::assertRefusedAt('/measured_ohm', $room, 'continuity', ['lead_ohm' => 0]);
        self::assertRefusedAt('/measured_ohm', $room, 'continuity', ['measured_ohm' => -1, 'lead_ohm' => 0]);
        self::assertRefusedAt(
            '/trace/width_mm',
            $room,
            'continuity',
            ['measured_ohm' => 1, 'lead_ohm' => 0, 'trace' => ['length_mm' => 1, 'width_mm' => 0, 'copper_oz' => 1]],
        );
        self::assertRefusedAt('/length_mm', $room, 'wire', ['amps' => 1, 'length_mm' => 0]);
        self::assertRefusedAt('/amps', $room, 'wire', ['amps' => -1, 'length_mm' => 1]);
        self::assertRefusedAt(
            '/trace/layer',
            $room,
            'wire',
            ['amps' => 1, 'length_mm' => 1, 'trace' => ['width_mm' => 1, 'copper_oz' => 1, 'layer' => 'middle']],
        );
        self::assertRefusedAt(
            '/trace/length_mm',
            $room,
            'wire',
            ['amps' => 1, 'length_mm' => 1, 'trace' => ['width_mm' => 1, 'copper_oz' => 1, 'layer' => 'outer', 'length_mm' => 1]],
        );
    }
}
