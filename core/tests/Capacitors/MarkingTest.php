<?php

declare(strict_types=1);

namespace Ash\Tests\Capacitors;

use Ash\Capacitors\CapacitorsRoom;
use Ash\Capacitors\Marking;
use Ash\Capacitors\PreferredValues;
use Ash\Facts\CapacitorKind;
use Ash\Tests\Asks;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/**
 * Markings against published tables: IEC 60062:2016, table 3 (letter and digit code for capacitance), table 4 and 5 (tolerance
 * letters); EIA-198 three-digit code; IEC 60063:2015, E series. All from memory.
 */
final class MarkingTest extends TestCase
{
    use Asks;

    /** @return array<array-key, array<mixed>> marking; capacitance, scheme, volts, tolerance; kind */
    public static function markings(): array
    {
        return [
            // IEC 60062, table 3
            'p33' => ['p33', [[0.33e-12, 'letter_point']]],
            '3p32' => ['3p32', [[3.32e-12, 'letter_point']]],
            '33p2' => ['33p2', [[33.2e-12, 'letter_point']]],
            '10p' => ['10p', [[10e-12, 'letter_point']]],
            '330p' => ['330p', [[330e-12, 'letter_point']]],
            'n33' => ['n33', [[330e-12, 'letter_point']]],
            '1n5' => ['1n5', [[1.5e-9, 'letter_point']]],
            '15n' => ['15n', [[15e-9, 'letter_point']]],
            '150n' => ['150n', [[150e-9, 'letter_point']]],
            'u15' => ['µ15', [[0.15e-6, 'letter_point']]],
            '1u5' => ['1µ5', [[1.5e-6, 'letter_point']]],
            '10u' => ['10u', [[10e-6, 'letter_point']]],
            '1m5' => ['1m5', [[1.5e-3, 'letter_point']]],
            'capitals' => ['4N7', [[4.7e-9, 'letter_point']]],
            // EIA-198, two figures and a multiplier
            '100 is ten' => ['100', [[10e-12, 'three_digit']], CapacitorKind::Ceramic],
            '101' => ['101', [[100e-12, 'three_digit']], CapacitorKind::Ceramic],
            '104' => ['104', [[100e-9, 'three_digit']], CapacitorKind::Film],
            '475' => ['475', [[4.7e-6, 'three_digit']], CapacitorKind::Tantalum],
            '229' => ['229', [[2.2e-12, 'three_digit']], CapacitorKind::Ceramic],
            '338' => ['338', [[0.33e-12, 'three_digit']], CapacitorKind::Ceramic],
            '104 across the mains' => ['104', [[100e-9, 'three_digit']], CapacitorKind::MainsSuppression],
            'bare on an electrolytic' => ['470', [[470e-6, 'plain']], CapacitorKind::Aluminium],
            'bare, kind not known' => ['104', [[100e-9, 'three_digit'], [104e-6, 'plain']]],
            // R as decimal point
            'R on ceramic' => ['4R7', [[4.7e-12, 'letter_point']], CapacitorKind::Ceramic],
            'R on tantalum' => ['R47', [[0.47e-6, 'letter_point']], CapacitorKind::Tantalum],
            'R, kind not known' => ['4R7', [[4.7e-12, 'letter_point'], [4.7e-6, 'letter_point']]],
            // short and long numbers
            'two digits on ceramic' => ['22', [[22e-12, 'plain']], CapacitorKind::Ceramic],
            'two digits on aluminium' => ['22', [[22e-6, 'plain']], CapacitorKind::Aluminium],
            'two digits' => ['22', [[22e-12, 'plain'], [22e-6, 'plain']]],
            'four digits on aluminium' => ['2200', [[2200e-6, 'plain']], CapacitorKind::Aluminium],
            // tolerance letters, IEC 60062 table 4 and 5
            'J' => ['104J', [[100e-9, 'three_digit', null, [5, 5]]]],
            'K' => ['104K', [[100e-9, 'three_digit', null, [10, 10]]]],
            'Z' => ['104Z', [[100e-9, 'three_digit', null, [20, 80]]]],
            'S' => ['104S', [[100e-9, 'three_digit', null, [20, 50]]]],
            'T' => ['104T', [[100e-9, 'three_digit', null, [10, 50]]]],
            'Q' => ['104Q', [[100e-9, 'three_digit', null, [10, 30]]]],
            'N' => ['4n7N', [[4.7e-9, 'letter_point', null, [30, 30]]]],
            'C from 10 pF up' => ['33pC', [[33e-12, 'letter_point', null, [0.25, 0.25]]]],
            'C below 10 pF' => ['5p0C', [[5e-12, 'letter_point', null, [5, 5]]]],
            'D below 10 pF' => ['2p5D', [[2.5e-12, 'letter_point', null, [20, 20]]]],
            'F below 10 pF' => ['4p0F', [[4e-12, 'letter_point', null, [25, 25]]]],
            'F at 10 pF' => ['10pF', [[10e-12, 'plain']]],
            'G from 10 pF up' => ['100pG', [[100e-12, 'letter_point', null, [2, 2]]]],
            // voltage letters
            '2A103J' => ['2A103J', [[10e-9, 'voltage_prefixed', 100.0, [5, 5]]]],
            'small letters' => ['2a103j', [[10e-9, 'voltage_prefixed', 100.0, [5, 5]]]],
            '1H104K' => ['1H104K', [[100e-9, 'voltage_prefixed', 50.0, [10, 10]]]],
            '0J with a point' => ['0J4u7', [[4.7e-6, 'voltage_prefixed', 6.3]]],
            '3A102' => ['3A102', [[1e-9, 'voltage_prefixed', 1000.0]]],
            // plain
            '47uF 25V' => ['47uF 25V', [[47e-6, 'plain', 25.0]]],
            '0.1' => ['0.1', [[0.1e-6, 'plain']]],
            'a decimal comma' => ['0,1', [[0.1e-6, 'plain']]],
            'without a nought' => ['.047', [[0.047e-6, 'plain']]],
            '220/16' => ['220/16', [[220e-6, 'plain', 16.0]]],
            'old MFD' => ['8 MFD 450 V', [[8e-6, 'plain', 450.0]]],
            'percent and mains volts' => ['0.047uF 10% 250VAC', [[47e-9, 'plain', 250.0, [10, 10]]]],
            'unequal percent' => ['10uF +80-20% 16V', [[10e-6, 'plain', 16.0, [20, 80]]]],
            'plus or minus' => ['1uF ±5 %', [[1e-6, 'plain', null, [5, 5]]]],
            '6V3' => ['6V3 100u', [[100e-6, 'letter_point', 6.3]]],
            // ambiguous: all that is possible
            '10v 100' => ['10v 100', [[10e-12, 'three_digit', 10.0], [100e-6, 'plain', 10.0]]],
            'a bare voltage behind a space' => ['470 16', [[47e-12, 'three_digit', 16.0], [470e-6, 'plain', 16.0]]],
            'on an electrolytic' => ['470 16', [[470e-6, 'plain', 16.0]], CapacitorKind::Aluminium],
            'a letter and a bare voltage' => ['0.1K 400', [[0.1e-6, 'plain', 400.0, [10, 10]]]],
            'two figures, a letter, a bare voltage' => ['22M 25', [[22e-12, 'plain', 25.0, [20, 20]], [22e-6, 'plain', 25.0, [20, 20]]]],
            'a letter behind three figures of an electrolytic' => ['220M', [[220e-6, 'plain', null, [20, 20]]], CapacitorKind::Bipolar],
            'F behind three figures' => ['104F', [[100e-9, 'three_digit', null, [1, 1]]]],
            'N behind three figures' => ['105N', [[1e-6, 'three_digit', null, [30, 30]]]],
            'n behind three figures' => ['105n', [[105e-9, 'letter_point']]],
            'a decimal from 1 up' => ['4.7', [[4.7e-12, 'plain'], [4.7e-6, 'plain']]],
            'the same on tantalum' => ['4.7', [[4.7e-6, 'plain']], CapacitorKind::Tantalum],
            'and on ceramic' => ['4.7J', [[4.7e-12, 'plain', null, [5, 5]]], CapacitorKind::Ceramic],
            'a decimal below 1 on ceramic' => ['0.1', [[0.1e-6, 'plain']], CapacitorKind::Ceramic],
            'R on bipolar' => ['4R7', [[4.7e-6, 'letter_point']], CapacitorKind::Bipolar],
            // old units: trade's custom before the prefixes were settled, from memory
            'mF was microfarad' => ['8 mF 450 WVDC', [[8e-6, 'plain', 450.0]]],
            'dots and case' => ['16 m.f.d. 25 W.V.DC', [[16e-6, 'plain', 25.0]]],
            'mmf' => ['100 mmf', [[100e-12, 'plain']]],
            'mmfd' => ['47MMFD 500V', [[47e-12, 'plain', 500.0]]],
            'uufd' => ['.5 µµfd', [[0.5e-12, 'plain']]],
            'ufd' => ['.05UFD 200VDCW', [[0.05e-6, 'plain', 200.0]]],
            'DCWV' => ['20 MFD 150 DCWV', [[20e-6, 'plain', 150.0]]],
            'thousands' => ['18,000 MFD 10 WV', [[18000e-6, 'plain', 10.0]]],
            'three figures behind a comma and a nought before it' => ['0,047 uF', [[0.047e-6, 'plain']]],
            'kilovolts' => ['102 2kV', [[1e-9, 'three_digit', 2000.0]], CapacitorKind::Ceramic],
            'a unit is no tolerance' => ['10nF 100V', [[10e-9, 'plain', 100.0]]],
        ];
    }

    /** @param list<array{float, string, 2?: float|null, 3?: array{float, float}|null}> $expected */
    #[DataProvider('markings')]
    public function test_a_marking_is_read_as_the_tables_say(string $marking, array $expected, ?CapacitorKind $kind = null): void
    {
        $readings = Marking::decode($marking, $kind);
        self::assertCount(count($expected), $readings, $marking);
        foreach ($expected as $i => $it) {
            self::assertEqualsWithDelta(1.0, $readings[$i]->capacitanceF / $it[0], 1e-9, $marking);
            self::assertSame([$it[1], $it[2] ?? null], [$readings[$i]->scheme, $readings[$i]->ratedV], $marking);
            $tolerance = $it[3] ?? null;
            self::assertEqualsWithDelta(
                $tolerance === null ? null : ['minus_pct' => $tolerance[0], 'plus_pct' => $tolerance[1]],
                $readings[$i]->tolerance,
                1e-9,
                $marking,
            );
        }
    }

    /** @return list<array{string}> */
    public static function unreadable(): array
    {
        return [
            ['xyz'],
            ['2Z103'],
            ['000'],
            ['104H'],
            ['25V'],
            ['10 %'],
            ['4n7p3'],
            ['n'],
            ['R'],
            ['104 K V'],
            ['1234567'],
            ['-104'],
            ['47 ohm'],
            ['104104104104'],
            ['50-50 MFD 150V'],
            ['40+20 uF'],
            ['2A103J 100V'],
            ['0.1 0'],
            ['0 uF'],
            ['100 V'],
            ['1,2,3'],
        ];
    }

    #[DataProvider('unreadable')]
    public function test_what_cannot_be_read_is_refused_and_never_guessed(string $marking): void
    {
        self::assertRefusedAt('/marking', new CapacitorsRoom(), 'decode', ['marking' => $marking]);
    }

    public function test_which_unit_a_bare_figure_has_is_the_kind_s_custom(): void
    {
        // Common practice, no source: by kind for "22", "104", "4R7" and "2200": p for picofarad or its code, u for microfarad, b for both.
        $custom = [
            'ceramic' => 'pppp', 'film' => 'bppb', 'mains_suppression' => 'bpbb', 'tantalum' => 'upuu', 'aluminium' => 'uuuu', 'polymer' => 'uuuu',
            'bipolar' => 'uuuu',
        ];
        foreach ($custom as $kind => $units) {
            foreach (['22', '104', '4R7', '2200'] as $i => $marking) {
                $readings = Marking::decode($marking, CapacitorKind::from($kind));
                $small = array_map(static fn (Marking $it): string => $it->capacitanceF < 2e-7 ? 'p' : 'u', $readings);
                self::assertSame($units[$i], count($small) > 1 ? 'b' : $small[0], "{$kind} {$marking}");
            }
        }
    }

    public function test_what_is_written_around_a_marking_is_no_part_of_it(): void
    {
        foreach ([' 4n7 ', "4n7\n", '4n7 ', '4.7nF.'] as $marking) {
            self::assertSame([4.7e-9], array_map(static fn (Marking $it): float => $it->capacitanceF, Marking::decode($marking, null)), $marking);
        }
        self::assertSame([[], []], [Marking::decode('0pB', null), Marking::decode('1n 0V', null)], 'nothing, and no volts');
        self::assertSame('1.235 µF', Marking::decode('1.23456uF', null)[0]->words());
        foreach (['+50/-10 %', '-10+50%', '-10 +50 %', '+50 -10%'] as $written) {
            self::assertSame(['minus_pct' => 10.0, 'plus_pct' => 50.0], Marking::decode("10uF {$written}", null)[0]->tolerance, $written);
        }
    }

    public function test_the_words_say_the_whole_marking(): void
    {
        self::assertSame('10 nF ±5 % 100 V', Marking::decode('2A103J', null)[0]->words());
        self::assertSame('100 nF -20/+80 %', Marking::decode('104Z', null)[0]->words());
    }

    public function test_every_preferred_value_is_read_back_from_its_three_digit_code(): void
    {
        $seen = 0;
        foreach (PreferredValues::SERIES['E24'] as $figure) {
            foreach (range(0, 6) as $power) {
                $marking = sprintf('%02d%d', round($figure * 10), $power);
                self::assertEqualsWithDelta(
                    1.0,
                    Marking::decode($marking, CapacitorKind::Ceramic)[0]->capacitanceF / (round($figure * 10) * 10 ** $power * 1e-12),
                    1e-9,
                );
                self::assertNotNull(PreferredValues::seriesOf(Marking::decode($marking, CapacitorKind::Ceramic)[0]->capacitanceF));
                ++$seen;
            }
        }
        self::assertSame(168, $seen);
    }

    public function test_the_series_of_iec_60063_hold_each_other(): void
    {
        self::assertSame([3, 6, 12, 24], array_map(count(...), array_values(PreferredValues::SERIES)));
        foreach (['E3' => 'E6', 'E6' => 'E12', 'E12' => 'E24'] as $coarse => $fine) {
            self::assertSame([], array_diff(PreferredValues::SERIES[$coarse], PreferredValues::SERIES[$fine]));
        }
        self::assertSame(['E3', 'E6', 'E12', 'E24', null], array_map(PreferredValues::seriesOf(...), [47e-6, 33e-6, 12e-9, 9.1e-12, 104e-6]));
        self::assertEqualsWithDelta(100e-6, PreferredValues::nearest(104e-6), 1e-12);
        self::assertEqualsWithDelta(100e-6, PreferredValues::nearest(95e-6), 1e-12);
    }
}
