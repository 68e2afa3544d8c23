<?php

declare(strict_types=1);

namespace Ash\Tests\Memory;

use Ash\Memory\MarchTest as March;
use Ash\Memory\MemoryRoom;
use Ash\Tests\Asks;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class MarchTest extends TestCase
{
    use Asks;

    /**
     * A. J. van de Goor, "Using March Tests to Test SRAMs", IEEE Design & Test of Computers 10(1), 1993, and "Testing Semiconductor
     * Memories", 1991 (from memory): operations a cell, and the classes of unlinked faults that each test finds whole.
     *
     * @return list<array{string, int, list<string>}>
     */
    public static function published(): array
    {
        return [
            ['mats', 4, ['saf']], ['mats+', 5, ['af', 'saf']], ['mats++', 6, ['af', 'saf', 'tf']], ['march-x', 6, ['af', 'saf', 'tf', 'cfin']],
            ['march-y', 8, ['af', 'saf', 'tf', 'cfin']],
            ['march-c-', 10, ['af', 'saf', 'tf', 'cfin', 'cfid', 'cfst']], ['march-a', 15, ['af', 'saf', 'tf', 'cfin', 'cfid']],
            ['march-b', 17, ['af', 'saf', 'tf', 'cfin', 'cfid']],
        ];
    }

    /** @param list<string> $whole */
    #[DataProvider('published')]
    public function test_published_coverage_is_reproduced_by_enumeration(string $test, int $operations, array $whole): void
    {
        foreach ([2, 5, 8] as $words) {
            /** @var list<array{type: string, faults: int, detected: int, pct: float}> $classes */
            $classes = self::put(new MemoryRoom(), 'coverage', ['test' => $test, 'words' => $words])['classes'];
            $pct = array_column($classes, 'pct', 'type');
            foreach ($whole as $class) {
                self::assertEquals(100, $pct[$class], "{$test}, {$words} words, {$class}");
            }
            $pairs = $words * ($words - 1);
            self::assertSame(
                ['saf' => 2 * $words, 'tf' => 2 * $words, 'cfin' => 2 * $pairs, 'cfid' => 4 * $pairs, 'cfst' => 4 * $pairs, 'af' => 2 * $words + 3 * $pairs],
                array_column($classes, 'faults', 'type'),
            );
        }
        self::assertSame($operations, self::put(new MemoryRoom(), 'march', ['test' => $test, 'words' => 10, 'faults' => []])['operations_per_word']);
    }

    public function test_what_a_test_does_not_claim_it_does_not_find_whole(): void
    {
        $pct = static fn (string $test): array => array_column(
            (array) self::put(new MemoryRoom(), 'coverage', ['test' => $test, 'words' => 4])['classes'],
            'pct',
            'type',
        );
        self::assertLessThan(100, $pct('mats+')['tf']);
        self::assertLessThan(100, $pct('mats++')['cfin']);
        self::assertLessThan(100, $pct('march-x')['cfid']);
        self::assertLessThan(100, $pct('mats')['af']);
    }

    /**
     * Test, faults, detected, errors, first; worked by hand on 4 words.
     *
     * @return array<string, array{string, list<array<string, mixed>>, bool, int, ?array{int, int, int}}>
     */
    public static function worked(): array
    {
        return [
            'no fault' => ['march-c-', [], false, 0, null],
            // b(w0); u(r0 at cell 2 gives 1): element 1, operation 0; then d(r1) is right.
            'stuck at 1' => ['mats+', [['type' => 'saf1', 'cell' => 2]], true, 1, [1, 0, 2]],
            'stuck at 0' => ['mats+', [['type' => 'saf0', 'cell' => 2]], true, 1, [2, 0, 2]],
            // the last element writes 0 and nothing reads it: mats+ misses a cell that cannot fall, mats++ reads it.
            'cannot fall, missed from zeros' => ['mats+', [['type' => 'tf_down', 'cell' => 1]], false, 0, null],
            'cannot fall, read' => ['mats++', [['type' => 'tf_down', 'cell' => 1]], true, 1, [2, 2, 1]],
            // writing 1 to cell 0 inverts cell 3 before it is read: u(r0) of cell 3 gives 1; then it is written.
            'inverted' => ['march-x', [['type' => 'cfin', 'cell' => 3, 'aggressor' => 0, 'when' => 'up']], true, 1, [1, 0, 3]],
            'no cell' => ['mats+', [['type' => 'af_none', 'cell' => 0, 'value' => 0]], true, 1, [2, 0, 0]],
        ];
    }

    /**
     * @param list<array<string, mixed>> $faults
     * @param array{int, int, int}|null  $first
     */
    #[DataProvider('worked')]
    public function test_worked_runs(string $test, array $faults, bool $detected, int $errors, ?array $first): void
    {
        $answer = self::put(new MemoryRoom(), 'march', ['test' => $test, 'words' => 4, 'faults' => $faults]);
        self::assertSame(
            [$detected, $errors, $first === null ? null : array_combine(['element', 'operation', 'address'], $first)],
            [$answer['detected'], $answer['errors'], $answer['first']],
        );
    }

    public function test_a_million_cells_cost_what_a_thousand_cost(): void
    {
        $ask = static fn (int $words): array => self::put(
            new MemoryRoom(),
            'march',
            [
                'test' => 'march-c-',
                'words' => $words,
                'faults' => array_map(
                    static fn (int $i): array => ['type' => 'cfid', 'cell' => 100 * $i, 'aggressor' => 100 * $i + 7, 'when' => 'up', 'value' => 1],
                    range(0, 7),
                ),
            ],
        );
        self::assertSame([8, 10485760], [$ask(1048576)['errors'], $ask(1048576)['operations']]);
        self::assertSame(8, $ask(1024)['errors']);
    }

    public function test_a_string_is_a_test_and_every_named_one_holds_on_good_memory(): void
    {
        self::assertSame(5, self::put(new MemoryRoom(), 'march', ['test' => March::NAMED['mats+'], 'words' => 4, 'faults' => []])['operations_per_word']);
        foreach (array_keys(March::NAMED) as $test) {
            self::assertSame(
                [false, 0],
                array_values(array_intersect_key(
                    self::put(new MemoryRoom(), 'march', ['test' => $test, 'words' => 4, 'faults' => []]),
                    ['detected' => 1, 'errors' => 1],
                )),
            );
        }
    }

    public function test_bad_input_is_refused_with_its_place(): void
    {
        $room = new MemoryRoom();
        $march = ['test' => 'mats+', 'words' => 8, 'faults' => []];
        foreach (['march-z', '', '{}', '{u(w0)', '{u(w2)}', '{x(w0)}', '{u(r0,w1)}', '{u(w0);u(r1)}', '{u(w0) ;u(r0)}'] as $test) {
            self::assertRefusedAt('/test', $room, 'march', [...$march, 'test' => $test]);
        }
        foreach ([
            '/faults/0/cell' => ['type' => 'saf0', 'cell' => 8], '/faults/0/type' => ['type' => 'gremlin', 'cell' => 1],
            '/faults/0/aggressor' => ['type' => 'cfin', 'cell' => 1, 'aggressor' => 1, 'when' => 'up'],
            '/faults/0/when' => ['type' => 'cfin', 'cell' => 1, 'aggressor' => 2, 'when' => 1],
            '/faults/0/value' => ['type' => 'saf0', 'cell' => 1, 'value' => 1],
        ] as $pointer => $fault) {
            self::assertRefusedAt($pointer, $room, 'march', [...$march, 'faults' => [$fault]]);
        }
        self::assertRefusedAt(
            '/faults/0/value',
            $room,
            'march',
            [...$march, 'faults' => [['type' => 'af_multi', 'cell' => 1, 'aggressor' => 2, 'value' => 1]]],
        );
        self::assertRefusedAt(
            '/faults/0/when',
            $room,
            'march',
            [...$march, 'faults' => [['type' => 'cfst', 'cell' => 1, 'aggressor' => 2, 'when' => 'up', 'value' => 1]]],
        );
        self::assertRefusedAt('/faults/0/value', $room, 'march', [...$march, 'faults' => [['type' => 'cfid', 'cell' => 1, 'aggressor' => 2, 'when' => 'up']]]);
        self::assertRefusedAt('/faults/1/cell', $room, 'march', [...$march, 'faults' => [['type' => 'saf0', 'cell' => 1], ['type' => 'saf1', 'cell' => 1]]]);
        self::assertRefusedAt('/words', $room, 'coverage', ['test' => 'mats', 'words' => 65]);
        self::assertRefusedAt('/words', $room, 'coverage', ['test' => 'mats', 'words' => 1]);
    }
}
