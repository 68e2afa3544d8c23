<?php

declare(strict_types=1);

namespace Ash\Tests\Batteries;

use Ash\Batteries\BatteriesRoom;
use Ash\Batteries\Chemistry;
use Ash\Batteries\Option;
use Ash\Tests\Asks;
use Eris\Generators;
use Eris\TestTrait;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Cell figures: typical values, from memory. */
final class BatteriesTest extends TestCase
{
    use Asks;
    use TestTrait;

    private const BOARD = ['retention_min_v' => 2.4, 'retention_max_v' => 5.0, 'standby_a' => 1e-5];
    private const CHARGE = ['charge' => ['supply_v' => 5.0, 'series_ohm' => 470.0]];

    /** @return list<array{string, float, string}> volts a cell at every threshold and just beside it */
    public static function thresholds(): array
    {
        $at = [];
        foreach ([
            'nicd' => [1.45, 1.25, 1.20, 1.00],
            'nimh' => [1.45, 1.25, 1.20, 1.00],
            'alkaline' => [1.70, 1.50, 1.20, 0.90],
            'limno2' => [3.40, 3.00, 2.70, 2.50],
            'lisocl2' => [3.80, 3.50, 3.30, 3.00],
            'lead_acid' => [2.40, 2.10, 2.00, 1.75],
        ] as $chemistry => [$over, $charged, $serviceable, $flat]) {
            $nickel = str_starts_with($chemistry, 'ni');
            array_push(
                $at,
                [$chemistry, $over + 1e-6, 'over'],
                [$chemistry, $over, $nickel ? 'over' : 'charged'],
                [$chemistry, $over - 1e-6, 'charged'],
                [$chemistry, $charged, 'charged'],
                [$chemistry, $charged - 1e-6, 'serviceable'],
                [$chemistry, $serviceable, 'serviceable'],
                [$chemistry, $serviceable - 1e-6, 'flat'],
                [$chemistry, $flat, 'flat'],
                [$chemistry, $flat - 1e-6, 'dead'],
            );
        }

        return $at;
    }

    #[DataProvider('thresholds')]
    public function test_states_of_a_cell(string $chemistry, float $volts, string $state): void
    {
        self::assertSame($state, self::put(new BatteriesRoom(), 'judge', ['chemistry' => $chemistry, 'cells' => 1, 'volts' => $volts])['state']);
        self::assertSame($state, self::put(new BatteriesRoom(), 'judge', ['chemistry' => $chemistry, 'cells' => 6, 'volts' => 6 * $volts])['state']);
    }

    public function test_3_8_volts_on_a_pack_of_three_nickel_cells_is_charged_and_no_fault(): void
    {
        $answer = self::put(new BatteriesRoom(), 'judge', ['chemistry' => 'nicd', 'cells' => 3, 'volts' => 3.8]);
        self::assertSame('charged', $answer['state']);
        self::assertEqualsWithDelta([3.8 / 3, 3.6], [$answer['volts_per_cell'], $answer['nominal_v']], 1e-12);
    }

    public function test_a_voltage_that_no_such_pack_can_have_asks_which_of_the_two_is_wrong(): void
    {
        $reasons = static fn (int $cells, float $volts): string => implode(
            ' ',
            (array) self::put(new BatteriesRoom(), 'judge', ['chemistry' => 'nicd', 'cells' => $cells, 'volts' => $volts])['reasons'],
        );
        self::assertStringContainsString('are there 3 cells and not 1', $reasons(1, 3.8));
        self::assertStringContainsString('wrong way round', $reasons(3, -3.6));
        self::assertStringNotContainsString('?', $reasons(3, 4.5));
    }

    /**
     * @param array<string, mixed> $board
     *
     * @return array<string, array<string, mixed>> by id
     */
    private static function options(array $board): array
    {
        /** @var list<array<string, mixed>> $options */
        $options = self::put(new BatteriesRoom(), 'options', ['board' => [...self::BOARD, ...$board]])['options'];

        return array_combine(array_map(static fn (array $it): string => is_string($it['id']) ? $it['id'] : '', $options), $options);
    }

    public function test_a_board_that_charges(): void
    {
        $options = self::options(self::CHARGE);
        self::assertCount(count(Option::cases()), $options);
        // (5 - 3.6)/470 = 2.979 mA: below C/10 = 6 mA of nickel-cadmium, above C/30 = 2.667 mA of nickel-metal hydride.
        self::assertSame(['fits', []], [$options['nicd-barrel-3']['verdict'], $options['nicd-barrel-3']['needs']]);
        self::assertEqualsWithDelta(1.4 / 470, $options['nicd-barrel-3']['charge_a'], 1e-12);
        self::assertSame(8, $options['nicd-barrel-3']['years'], 'kept charged: its shelf life');
        self::assertSame(['resistor'], $options['nimh-barrel-3']['needs']);
        self::assertIsArray($options['nimh-barrel-3']['reasons']);
        self::assertStringContainsString('525 Ω', implode(' ', $options['nimh-barrel-3']['reasons']));
        self::assertEqualsWithDelta(1.4 / (0.08 / 30), 525.0, 1e-9);
        // Primary cells: a diode, for lithium a resistor behind it, and the drop counts.
        self::assertSame(['blocking_diode', 'resistor'], $options['lithium-coin-1']['needs']);
        self::assertEqualsWithDelta([2.9, 2.2], [$options['lithium-coin-1']['volts_at_board_fresh'], $options['lithium-coin-1']['volts_at_board_end']], 1e-12);
        self::assertSame('no', $options['lithium-coin-1']['verdict'], '2.2 V is below 2.4 V');
        self::assertSame(['blocking_diode', 'remote_holder', 'reversed_lead_check'], $options['alkaline-aa-3']['needs']);
        self::assertEqualsWithDelta([4.5, 2.4], [$options['alkaline-aa-3']['volts_at_board_fresh'], $options['alkaline-aa-3']['volts_at_board_end']], 1e-12);
        self::assertSame('fits_with_rework', $options['alkaline-aa-3']['verdict'], 'on the edge is inside');
        self::assertNull($options['alkaline-aa-3']['charge_a']);
        self::assertSame([true, false], [$options['nicd-barrel-3']['leak_on_board'], $options['alkaline-aa-3']['leak_on_board']]);
        // 1 F from 5 V to 2.4 V at 10 uA: 260 000 s, three days: less than a week.
        self::assertEqualsWithDelta(260000.0, $options['supercap-1f']['hold_s'], 1e-6);
        self::assertSame('no', $options['supercap-1f']['verdict']);
        self::assertSame('fits', self::options([...self::CHARGE, 'standby_a' => 2e-6])['supercap-1f']['verdict']);
    }

    public function test_a_board_that_does_not_charge(): void
    {
        $options = self::options([]);
        self::assertSame([], $options['lithium-coin-1']['needs']);
        self::assertSame('fits', $options['lithium-coin-1']['verdict']);
        // min(10, 1/(1e-5*8766/0.22 + 0.01)) = 2.448 years
        self::assertEqualsWithDelta(1 / (1e-5 * 8766 / 0.22 + 0.01), $options['lithium-coin-1']['years'], 1e-12);
        self::assertEqualsWithDelta(1 / (1e-5 * 8766 / 0.06 + 1.5), $options['nicd-barrel-3']['years'], 1e-12);
        self::assertSame(
            ['no', null, null, null, null, null],
            array_map(
                static fn (string $key): mixed => $options['supercap-1f'][$key],
                ['verdict', 'volts_at_board_fresh', 'volts_at_board_end', 'years', 'hold_s', 'charge_a'],
            ),
        );
        self::assertSame('lithium-coin-1', array_key_first($options), 'fits, and leaves nothing to speak of');
        $ranks = array_map(static fn (array $it): array => [
            $it['verdict'] === 'no', $it['leak_on_board'], array_search($it['verdict'], ['fits', 'fits_with_rework', 'no'], true), -($it['years'] ?? -1),
        ], array_values($options));
        $sorted = $ranks;
        usort($sorted, static fn (array $a, array $b): int => $a <=> $b);
        self::assertSame($sorted, $ranks);
    }

    public function test_the_recommendation_leaves_no_leaking_chemistry_on_the_board(): void
    {
        foreach ([[], self::CHARGE, ['retention_max_v' => 3.4]] as $board) {
            $answer = self::put(new BatteriesRoom(), 'options', ['board' => [...self::BOARD, ...$board]]);
            $id = is_array($answer['recommendation']) ? $answer['recommendation']['id'] : null;
            self::assertNotContains($id, ['nicd-barrel-3', 'nimh-barrel-3']);
            self::assertNotNull($id);
        }
        self::assertNull(
            self::put(new BatteriesRoom(), 'options', ['board' => ['retention_min_v' => 8, 'retention_max_v' => 9, 'standby_a' => 0]])['recommendation'],
        );
    }

    public function test_adding_a_cell_never_lowers_the_volts_at_the_board_and_more_current_never_adds_years(): void
    {
        $this->forAll(
            Generators::choose(1, 500),
            Generators::elements('aaa', 'aa'),
            Generators::bool(),
        )->then(static function (int $microamps, string $size, bool $charges): void {
            $options = self::options(['standby_a' => $microamps * 1e-6, ...($charges ? self::CHARGE : [])]);
            $more = self::options(['standby_a' => ($microamps + 1) * 1e-6, ...($charges ? self::CHARGE : [])]);
            foreach ([2, 3] as $cells) {
                foreach (['volts_at_board_fresh', 'volts_at_board_end'] as $volts) {
                    self::assertGreaterThan($options["alkaline-{$size}-{$cells}"][$volts], $options['alkaline-'.$size.'-'.($cells + 1)][$volts]);
                }
                self::assertLessThanOrEqual($options["alkaline-{$size}-{$cells}"]['years'], $more["alkaline-{$size}-{$cells}"]['years']);
            }
        });
    }

    public function test_one_farad_from_5_to_2_volts_at_10_microampere_holds_300_000_seconds(): void
    {
        $answer = self::put(new BatteriesRoom(), 'hold', ['capacitance_f' => 1, 'start_v' => 5, 'min_v' => 2, 'standby_a' => 1e-5]);
        self::assertEqualsWithDelta([300000.0, 3.4722222222], [$answer['seconds'], $answer['days']], 1e-6);
        self::assertEqualsWithDelta(
            150000.0,
            self::put(new BatteriesRoom(), 'hold', ['capacitance_f' => 1, 'start_v' => 5, 'min_v' => 2, 'standby_a' => 1e-5, 'leakage_a' => 1e-5])['seconds'],
            1e-6,
        );
        self::assertSame(0, self::put(new BatteriesRoom(), 'hold', ['capacitance_f' => 1, 'start_v' => 2, 'min_v' => 2, 'standby_a' => 1e-5])['seconds']);
    }

    public function test_a_pack_of_which_one_cell_is_shorted(): void
    {
        // Three nickel cells of 1.2 V of which one is shorted show 2.4 V (common practice, no source).
        foreach ([
            ['nicd', 3, 2.4, 1], ['nimh', 3, 2.3, 1], ['nimh', 3, 2.8, 1], ['nicd', 3, 2.81, null], ['nicd', 3, 2.29, null], ['nicd', 3, 1.2, 2],
            ['nicd', 3, 3.6, null], ['nicd', 3, 0.1, null], ['nicd', 1, 0.9, null], ['nicd', 2, 1.25, 1], ['nicd', 6, 5.0, 2], ['alkaline', 3, 2.4, null],
        ] as [$chemistry, $cells, $volts, $shorted]) {
            $answer = self::put(new BatteriesRoom(), 'judge', ['chemistry' => $chemistry, 'cells' => $cells, 'volts' => $volts]);
            self::assertSame($shorted, $answer['shorted_cells'], "{$chemistry} {$cells} {$volts}");
        }
    }

    /** @return iterable<string, array{array<string, mixed>, string, int}> what was read, verdict, years it was moved by */
    public static function coarse(): iterable
    {
        $minutes = ['clock_resolution_s' => 60];
        yield 'minutes only, one short of the minute it was set to' => [['set_at' => '2026-03-01T00:00:30Z', 'checked_at' => '2026-03-01T00:00:50Z',
            'clock_read' => '2026-03-01T00:00:00Z', ...$minutes], 'kept', 0];
        yield 'a whole minute before' => [['set_at' => '2026-03-01T00:01:00Z', 'clock_read' => '2026-03-01T00:00:00Z', ...$minutes], 'lost', 0];
        yield 'two steps say nothing yet' => [['checked_at' => '2026-03-01T01:00:00Z', 'clock_read' => '2026-03-01T00:58:00Z', ...$minutes], 'kept', 0];
        yield 'more than two do' => [['checked_at' => '2026-03-01T01:00:00Z', 'clock_read' => '2026-03-01T00:57:00Z', ...$minutes], 'slow', 0];
        $year = ['year_kept' => false];
        yield 'no year' => [['clock_read' => '1994-03-11T00:00:01Z', ...$year], 'kept', 32];
        yield 'a year too many' => [['clock_read' => '2027-03-11T00:00:01Z', ...$year], 'kept', -1];
        yield 'over the turn of the year' => [['set_at' => '2025-12-20T00:00:00Z', 'checked_at' => '2026-01-02T00:00:00Z',
            'clock_read' => '1999-12-31T00:00:00Z', ...$year], 'slow', 26];
        yield '29 February in a year without it' => [['set_at' => '2026-02-20T00:00:00Z', 'checked_at' => '2026-02-28T12:00:00Z',
            'clock_read' => '2024-02-29T12:00:00Z', ...$year], 'kept', 2];
        yield 'a year that it holds is judged' => [['clock_read' => '1994-03-11T00:00:01Z'], 'lost', 0];
    }

    /** @param array<string, mixed> $read */
    #[DataProvider('coarse')]
    public function test_a_clock_that_shows_minutes_only_or_cannot_hold_its_year(array $read, string $verdict, int $years): void
    {
        $answer = self::put(new BatteriesRoom(), 'retention', [
            'set_at' => '2026-03-01T00:00:00Z', 'checked_at' => '2026-03-11T00:00:00Z', 'power_off_h' => 0, ...$read,
        ]);
        self::assertSame([$verdict, $years], [$answer['verdict'], $answer['year_off']], implode('; ', (array) $answer['reasons']));
    }

    /** @return array<string, array{string, float, string, float}> what the clock reads, hours off, verdict, seconds a day */
    public static function clocks(): array
    {
        return [
            // Ten days; a 20 ppm crystal may be off 20e-6*86400 = 1.728 s a day.
            'a 20 ppm crystal' => ['2026-03-11T00:00:17.28Z', 200, 'kept', 1.728],
            'to the second' => ['2026-03-11T00:00:00Z', 240, 'kept', 0],
            '100 ppm is kept' => ['2026-03-11T00:01:26.4Z', 0, 'kept', 8.64],
            '101 ppm is drifting' => ['2026-03-11T00:01:27.27Z', 0, 'drifting', 8.727],
            '1000 ppm is drifting' => ['2026-03-10T23:45:36Z', 0, 'drifting', -86.4],
            'slow' => ['2026-03-10T23:30:00Z', 0, 'slow', -180],
            'fast' => ['2026-03-11T00:30:00Z', 0, 'fast', 180],
            'stood still while off' => ['2026-03-08T00:00:30Z', 72, 'stopped', -25917],
            'within 2 % of the time off' => ['2026-03-08T01:26:00Z', 72, 'stopped', -25404],
            'beyond 2 % of the time off' => ['2026-03-08T01:27:00Z', 72, 'slow', -25398],
            'off for two minutes proves nothing' => ['2026-03-10T23:58:00Z', 120 / 3600, 'drifting', -12],
            'before it was set' => ['1985-01-01T00:07:00Z', 72, 'lost', 0],
            'in another zone' => ['2026-03-11T01:00:00+01:00', 72, 'kept', 0],
        ];
    }

    #[DataProvider('clocks')]
    public function test_how_a_clock_kept_its_time(string $read, float $off, string $verdict, float $daily): void
    {
        $answer = self::put(
            new BatteriesRoom(),
            'retention',
            ['set_at' => '2026-03-01T00:00:00Z', 'checked_at' => '2026-03-11T00:00:00Z', 'clock_read' => $read, 'power_off_h' => $off],
        );
        self::assertSame($verdict, $answer['verdict']);
        if ($verdict !== 'lost') {
            self::assertEqualsWithDelta($daily, $answer['seconds_per_day'], 1e-6);
            self::assertEqualsWithDelta($daily / 0.0864, $answer['ppm'], 1e-4);
        }
    }

    public function test_bad_input_is_refused_with_its_place(): void
    {
        $room = new BatteriesRoom();
        self::assertRefusedAt('/chemistry', $room, 'judge', ['chemistry' => 'zinc', 'cells' => 3, 'volts' => 3.8]);
        self::assertRefusedAt('/cells', $room, 'judge', ['chemistry' => 'nicd', 'cells' => 0, 'volts' => 3.8]);
        self::assertRefusedAt('/cells', $room, 'judge', ['chemistry' => 'nicd', 'cells' => 2.5, 'volts' => 3.8]);
        self::assertRefusedAt('/volts', $room, 'judge', ['chemistry' => 'nicd', 'cells' => 3]);
        self::assertRefusedAt('/board/retention_max_v', $room, 'options', ['board' => [...self::BOARD, 'retention_max_v' => 2.4]]);
        self::assertRefusedAt('/board/standby_a', $room, 'options', ['board' => [...self::BOARD, 'standby_a' => -1e-6]]);
        self::assertRefusedAt('/board/charge/series_ohm', $room, 'options', ['board' => [...self::BOARD, 'charge' => ['supply_v' => 5, 'series_ohm' => 0]]]);
        self::assertRefusedAt('/options/0', $room, 'options', ['board' => self::BOARD, 'options' => ['potato']]);
        self::assertRefusedAt('/options/1', $room, 'options', ['board' => self::BOARD, 'options' => ['supercap-1f', 'supercap-1f']]);
        self::assertRefusedAt('/standby_a', $room, 'hold', ['capacitance_f' => 1, 'start_v' => 5, 'min_v' => 2, 'standby_a' => 0]);
        self::assertRefusedAt('/capacitance_f', $room, 'hold', ['capacitance_f' => -1, 'start_v' => 5, 'min_v' => 2, 'standby_a' => 1]);
        $retention = ['set_at' => '2026-03-01T00:00:00Z', 'checked_at' => '2026-03-11T00:00:00Z', 'clock_read' => '2026-03-11T00:00:00Z', 'power_off_h' => 1];
        self::assertRefusedAt('/checked_at', $room, 'retention', [...$retention, 'checked_at' => '2026-03-01T00:00:00Z']);
        self::assertRefusedAt('/clock_read', $room, 'retention', [...$retention, 'clock_read' => '2026-03-11T00:00:00']);
        self::assertRefusedAt('/power_off_h', $room, 'retention', [...$retention, 'power_off_h' => 240.1]);
        self::assertSame('kept', self::put($room, 'retention', [...$retention, 'power_off_h' => 240])['verdict']);
    }

    public function test_every_chemistry_has_falling_thresholds_around_its_nominal(): void
    {
        foreach (Chemistry::cases() as $chemistry) {
            $down = $chemistry->thresholds();
            self::assertSame($down, array_reverse(collectSorted($down)));
            self::assertGreaterThan($chemistry->nominal(), $down[0]);
            self::assertLessThan($chemistry->nominal(), $down[3]);
        }
    }
}

/**
 * @template T
 *
 * @param list<T> $values
 *
 * @return list<T>
 */
function collectSorted(array $values): array
{
    sort($values);

    return $values;
}
