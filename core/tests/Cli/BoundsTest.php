<?php

declare(strict_types=1);

namespace Ash\Tests\Cli;

use Ash\Document\InvalidDocument;
use Ash\Rooms;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** The bounds of the contract (formats.md): refused at the field before anything is computed, and what lies just inside is answered soon. */
final class BoundsTest extends TestCase
{
    /** @param array<string, mixed>|string $document */
    private static function ask(string $room, string $verb, array|string $document): string
    {
        return Rooms::hall()->rooms[$room]->verbs()[$verb]->answer(is_string($document) ? $document : json_encode($document, JSON_THROW_ON_ERROR));
    }

    private static function march(int $operations): string
    {
        return '{b(w0'.str_repeat(',r0', $operations - 1).')}';
    }

    /** @return array<string, mixed> */
    private static function map(int $banks, int $chips = 1): array
    {
        return ['word_bits' => 63, 'banks' => array_map(static fn (int $b): array => [
            'name' => "b{$b}",
            'start' => dechex($b * 16),
            'words' => 16,
            'chips' => array_map(static fn (int $c): array => ['ref' => "U{$b}.{$c}", 'bits' => [$c]], range(0, $chips - 1)),
        ], range(0, $banks - 1))];
    }

    /** @return array<string, mixed> */
    private static function modules(int $many, float $kib = 256): array
    {
        $modules = array_map(static fn (int $i): array => ['name' => "M{$i}", 'kib' => $kib], range(1, $many));

        return ['modules' => $modules, 'counted_kib' => intdiv($many, 3) * $kib + 0.5];
    }

    /**
     * @return array<string, array{string, string, \Closure(int): (array<string, mixed>|string), int, string}> room, verb, document of a size,
     *                                                                                                         bound, pointer
     */
    public static function bounds(): array
    {
        $point = static fn (int $i): array => ['name' => "p{$i}"];

        return [
            'bytes of a document' => [
                'rails', 'path', static fn (int $n): string => '{"points": [], "readings": []'.str_repeat(' ', $n - 31).' }', 8 * 1024 ** 2, '',
            ],
            'items of a list' => [
                'rails', 'path', static fn (int $n): array => ['points' => array_map($point, range(1, $n)), 'readings' => []], 10_000, '/points',
            ],
            'banks of a map' => ['memory', 'locate', static fn (int $n): array => ['map' => self::map($n), 'errors' => []], 1024, '/map/banks'],
            'faults of a march' => ['memory', 'march', static fn (int $n): array => [
                'test' => self::march(100),
                'words' => 2 ** 40,
                'faults' => array_map(static fn (int $i): array => ['type' => 'saf0', 'cell' => $i], range(1, $n)),
            ], 1000, '/faults'],
            'operations of a march' => [
                'memory', 'march', static fn (int $n): array => ['test' => self::march($n), 'words' => 8, 'faults' => []], 100, '/test',
            ],
            'words of a march' => ['memory', 'march', static fn (int $n): array => ['test' => 'mats', 'words' => $n, 'faults' => []], 2 ** 40, '/words'],
            'operations of a coverage' => ['memory', 'coverage', static fn (int $n): array => ['test' => self::march($n), 'words' => 64], 40, '/test'],
            'words of a coverage' => ['memory', 'coverage', static fn (int $n): array => ['test' => self::march(40), 'words' => $n], 64, '/words'],
            'passes of a soak' => ['memory', 'soak', static fn (int $n): array => ['passes' => $n, 'errors' => 500_000_000], 1_000_000_000, '/passes'],
            'modules of a sum' => ['memory', 'sum', static fn (int $n): array => self::modules($n), 64, '/modules'],
            'size of a module' => ['memory', 'sum', static fn (int $n): array => self::modules(3, $n), 2 ** 30, '/modules/0/kib'],
        ];
    }

    /** @param \Closure(int): (array<string, mixed>|string) $of */
    #[DataProvider('bounds')]
    public function test_one_more_is_refused_and_the_bound_itself_is_answered_soon(string $room, string $verb, \Closure $of, int $bound, string $pointer): void
    {
        $from = microtime(true);
        try {
            self::ask($room, $verb, $of($bound));
        } catch (InvalidDocument $fault) {
            // An empty list of points is no path, but it was read.
            self::assertNotSame($pointer, $fault->pointer, $fault->detail);
        }
        self::assertLessThan(10.0, microtime(true) - $from);
        try {
            self::ask($room, $verb, $of($bound + 1));
            self::fail('one more was taken');
        } catch (InvalidDocument $fault) {
            self::assertSame($pointer, $fault->pointer, $fault->detail);
        }
    }

    public function test_a_document_of_too_many_values_is_refused_before_it_is_read(): void
    {
        $this->expectExceptionMessage('must hold at most 200000 values');
        self::ask('rails', 'path', '{"a": ['.str_repeat('1,', 200_000).'1]}');
    }

    public function test_commas_and_brackets_in_a_text_are_no_values(): void
    {
        $this->expectExceptionMessage('is not a field of this document');
        self::ask('rails', 'path', json_encode(['a' => str_repeat(',[{"', 60_000)], JSON_THROW_ON_ERROR));
    }

    /** Real machines: many equal modules, of which some do not answer; and sizes that no choice of them makes. */
    public function test_sums_of_equal_modules_are_settled_and_a_search_that_is_cut_says_so(): void
    {
        $answer = static fn (array $document): mixed => json_decode(self::ask('memory', 'sum', $document), true);
        $equal = ['modules' => self::modules(60)['modules'], 'counted_kib' => 256 * 57];
        self::assertSame([['M1', 'M2', 'M3'], true], [$answer($equal)['explanations'][0], $answer($equal)['proved']]);
        self::assertSame([[], true], [$answer(self::modules(60))['explanations'], $answer(self::modules(60))['proved']]);
        mt_srand(3);
        $odd = array_map(static fn (int $i): array => ['name' => "M{$i}", 'kib' => mt_rand(1, 2 ** 30)], range(1, 64));
        self::assertFalse($answer(['modules' => $odd, 'counted_kib' => 2 ** 33 + 1])['proved']);
    }

    public function test_thousands_of_rails_are_judged_in_the_time_of_their_number(): void
    {
        $rails = array_map(static fn (int $i): array => ['name' => "r{$i}", 'nominal_v' => 5, 'protects' => $i === 0 ? [] : ['r0']], range(0, 2999));
        $readings = array_map(static fn (int $i): array => ['rail' => "r{$i}", 'volts' => 4, 'load' => 'working'], range(0, 2999));
        $from = microtime(true);
        self::ask('rails', 'judge', ['rails' => $rails, 'meter' => ['reading_pct' => 0, 'counts' => 0, 'resolution_v' => 0], 'readings' => $readings]);
        self::assertLessThan(10.0, microtime(true) - $from);
    }
}
