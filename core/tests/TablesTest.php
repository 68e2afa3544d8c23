<?php

declare(strict_types=1);

namespace Ash\Tests;

use Ash\Batteries\Option;
use Ash\Capacitors\Marking;
use Ash\Capacitors\PreferredValues;
use Ash\Document\InvalidDocument;
use Ash\Memory\ChipType;
use Ash\Rooms;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Every value of a table against a figure that was written down apart from the code, and every object of a document against a field too many. */
final class TablesTest extends TestCase
{
    /** Objects whose members the document names itself. */
    private const OPEN = ['amps'];

    /** @return iterable<string, array{string, string, int}> number, organisation and package, refresh cycles: trade's data sheets, from memory */
    public static function chips(): iterable
    {
        foreach ([
            '4027 4096x1 DIP-16 64', '4116 16384x1 DIP-16 128', '4164 65536x1 DIP-16 128', '41256 262144x1 DIP-16 256', '411000 1048576x1 DIP-18 512',
            '4464 65536x4 DIP-18 256', '44256 262144x4 DIP-20 512', '2102 1024x1 DIP-16 0', '2114 1024x4 DIP-18 0', '6116 2048x8 DIP-24 0',
            '6264 8192x8 DIP-28 0', '62256 32768x8 DIP-28 0',
        ] as $row) {
            [$type, $size, $package, $refresh] = explode(' ', $row);
            yield $type => [$type, "{$size} {$package}", (int) $refresh];
        }
    }

    #[DataProvider('chips')]
    public function test_a_chip_is_what_its_sheet_says(string $type, string $size, int $refresh): void
    {
        $sheet = ChipType::from($type)->sheet();
        self::assertSame([$size, $refresh], ["{$sheet['words']}x{$sheet['bits']} {$sheet['package']}", $sheet['refresh']]);
        self::assertSame([$refresh > 0, in_array($type, ['4027', '4116'], true)], [$sheet['dynamic'], $sheet['three_supplies']]);
        self::assertCount(12, ChipType::cases());
    }

    public function test_pins_of_the_sixteen_pin_dynamic_chips(): void
    {
        // From memory: what all of them share, in the order of the pins 2 to 7, 10 to 12, 14 to 16, then what differs on 1, 8, 9 and 13.
        $shared = [2 => 'Din', '/WE', '/RAS', 'A0', 'A2', 'A1', 10 => 'A5', 'A4', 'A3', 14 => 'Dout', '/CAS', 'VSS'];
        $own = [
            '4027' => ['VBB -5', 'VDD +12', 'VCC +5', '/CS'],
            '4116' => ['VBB -5', 'VDD +12', 'VCC +5', 'A6'],
            '4164' => ['NC', 'VCC +5', 'A7', 'A6'],
            '41256' => ['A8', 'VCC +5', 'A7', 'A6'],
        ];
        foreach ($own as $type => [$one, $eight, $nine, $thirteen]) {
            $pins = $shared + [1 => $one, 8 => $eight, 9 => $nine, 13 => $thirteen];
            ksort($pins);
            $are = ChipType::from((string) $type)->pins();
            ksort($are);
            self::assertSame($pins, $are, (string) $type);
        }
    }

    /** @return iterable<string, array{Option, int, list<float>}> cells, then volts fresh and at the end, Ah, self-discharge a year, shelf years */
    public static function options(): iterable
    {
        $alkaline = [1.6, 0.9];
        foreach ([
            'nicd-barrel-3' => [3, [1.35, 1.0, 0.06, 1.5, 8]], 'nimh-barrel-3' => [3, [1.35, 1.0, 0.08, 2.0, 8]],
            'alkaline-aaa-2' => [2, [...$alkaline, 1.1, 0.03, 7]], 'alkaline-aaa-3' => [3, [...$alkaline, 1.1, 0.03, 7]],
            'alkaline-aaa-4' => [4, [...$alkaline, 1.1, 0.03, 7]], 'alkaline-aa-2' => [2, [...$alkaline, 2.5, 0.03, 7]],
            'alkaline-aa-3' => [3, [...$alkaline, 2.5, 0.03, 7]], 'alkaline-aa-4' => [4, [...$alkaline, 2.5, 0.03, 7]],
            'lithium-coin-1' => [1, [3.2, 2.5, 0.22, 0.01, 10]], 'lithium-half-aa-1' => [1, [3.65, 3.0, 1.2, 0.01, 15]],
        ] as $id => [$cells, $sheet]) {
            yield $id => [Option::from($id), $cells, $sheet];
        }
    }

    /** @param list<float> $sheet the trade's usual figures, common practice, no source */
    #[DataProvider('options')]
    public function test_a_replacement_cell_is_what_its_sheet_says(Option $option, int $cells, array $sheet): void
    {
        self::assertSame($cells, $option->cells());
        self::assertEqualsWithDelta($sheet, array_values($option->sheet()), 1e-12);
        $limit = ['nicd-barrel-3' => 0.006, 'nimh-barrel-3' => 0.08 / 30][$option->value] ?? null;
        $limit === null || self::assertEqualsWithDelta($limit, $option->chargeLimit(), 1e-12);
    }

    public function test_voltage_letters_are_preferred_numbers_times_a_power_of_ten(): void
    {
        // The digit is the power, the letter a preferred number (ISO 3, R10, as it is rounded for rated voltages; V and W beside it).
        $numbers = [
            'A' => 1.0,
            'B' => 1.25,
            'C' => 1.6,
            'D' => 2.0,
            'E' => 2.5,
            'F' => 3.15,
            'V' => 3.5,
            'G' => 4.0,
            'W' => 4.5,
            'H' => 5.0,
            'J' => 6.3,
            'K' => 8.0,
        ];
        foreach (['0EGJ', '1ACDEVHJK', '2ABCDEFVGWHJ', '3A'] as $row) {
            foreach (str_split(substr($row, 1)) as $letter) {
                $read = Marking::decode("{$row[0]}{$letter}104J", null)[0] ?? null;
                self::assertEqualsWithDelta($numbers[$letter] * 10 ** (int) $row[0], $read?->ratedV, 1e-9, "{$row[0]}{$letter}");
                self::assertEqualsWithDelta(100e-9, $read?->capacitanceF, 1e-15);
            }
        }
    }

    public function test_tolerance_letters(): void
    {
        // IEC 60062: per cent from 10 pF up, picofarad below.
        $percent = [
            'B' => [0.1, 0.1], 'C' => [0.25, 0.25], 'D' => [0.5, 0.5], 'F' => [1, 1], 'G' => [2, 2], 'J' => [5, 5], 'K' => [10, 10], 'M' => [20, 20],
            'N' => [30, 30], 'Q' => [10, 30], 'S' => [20, 50], 'T' => [10, 50], 'Z' => [20, 80],
        ];
        foreach ($percent as $letter => $both) {
            self::assertEqualsWithDelta($both, array_values(Marking::decode("4n7{$letter}", null)[0]->tolerance ?? []), 1e-9, $letter);
        }
        foreach (['B' => 0.1, 'C' => 0.25, 'D' => 0.5, 'F' => 1.0, 'G' => 2.0] as $letter => $picofarad) {
            $read = Marking::decode("8R2{$letter}", null)[0] ?? null;
            self::assertEqualsWithDelta(8.2e-12, $read?->capacitanceF, 1e-18);
            self::assertEqualsWithDelta([$picofarad / 8.2 * 100, $picofarad / 8.2 * 100], array_values($read->tolerance ?? []), 1e-6, $letter);
        }
    }

    public function test_preferred_values(): void
    {
        // IEC 60063: E24 in order; every second one is E12, every fourth E6, every eighth E3.
        $e24 = explode(' ', '1.0 1.1 1.2 1.3 1.5 1.6 1.8 2.0 2.2 2.4 2.7 3.0 3.3 3.6 3.9 4.3 4.7 5.1 5.6 6.2 6.8 7.5 8.2 9.1');
        self::assertCount(24, $e24);
        foreach ($e24 as $i => $value) {
            $series = $i % 8 === 0 ? 'E3' : ($i % 4 === 0 ? 'E6' : ($i % 2 === 0 ? 'E12' : 'E24'));
            foreach ([1e-12, 1e-6, 1.0, 1000.0] as $decade) {
                self::assertSame($series, PreferredValues::seriesOf((float) $value * $decade), "{$value} times {$decade}");
            }
        }
        self::assertNull(PreferredValues::seriesOf(2.35));
        self::assertEqualsWithDelta(
            [1e-6, 6.8e-6, 10e-6, 33.0],
            array_map(static fn (float $it): float => PreferredValues::nearest($it), [1.1e-6, 7e-6, 9.2e-6, 31.0]),
            1e-9,
        );
    }

    public function test_no_object_of_any_document_takes_a_field_too_many(): void
    {
        $tried = [];
        foreach (file(__DIR__.'/Recorded/answers.jsonl', \FILE_IGNORE_NEW_LINES) ?: [] as $line) {
            [$room, $verb, $asked, $answered] = json_decode($line, false, 64, JSON_THROW_ON_ERROR);
            if (!isset($answered->answer)) {
                continue;
            }
            foreach (self::objects($asked) as $pointer) {
                $kind = "{$room} {$verb} ".preg_replace('~/\d+~', '/*', $pointer);
                if (in_array(basename($pointer), self::OPEN, true) || ($tried[$kind] ?? 0) >= 2) {
                    continue;
                }
                $tried[$kind] = ($tried[$kind] ?? 0) + 1;
                self::assertSame("{$pointer}/surplus", self::refusal($room, $verb, self::with($asked, $pointer)), "{$kind} took it");
            }
        }
        self::assertGreaterThan(45, count($tried));
    }

    /** @return list<string> pointers of the objects in a document */
    private static function objects(mixed $document, string $at = ''): array
    {
        $found = $document instanceof \stdClass ? [$at] : [];
        foreach (is_array($document) ? $document : ($document instanceof \stdClass ? get_object_vars($document) : []) as $name => $inner) {
            $found = [...$found, ...self::objects($inner, "{$at}/{$name}")];
        }

        return $found;
    }

    private static function with(mixed $document, string $pointer): mixed
    {
        $copy = json_decode(json_encode($document, JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION), false, 64, JSON_THROW_ON_ERROR);
        $at = $copy;
        foreach ($pointer === '' ? [] : explode('/', substr($pointer, 1)) as $step) {
            $at = is_array($at) ? $at[(int) $step] : $at->{$step};
        }
        $at->surplus = 1;

        return $copy;
    }

    private static function refusal(string $room, string $verb, mixed $document): ?string
    {
        foreach (Rooms::all() as $it) {
            if ($it->name() === $room) {
                try {
                    $it->verbs()[$verb]->answer(json_encode($document, JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION));
                } catch (InvalidDocument $fault) {
                    return $fault->pointer;
                }
            }
        }

        return null;
    }
}
