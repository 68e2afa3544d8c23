<?php

declare(strict_types=1);

namespace Ash\Tests\Logbook;

use Ash\Logbook\BoardKinds;
use Ash\Rooms;
use Ash\Tests\House;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class BoardKindsTest extends TestCase
{
    private static function kinds(): BoardKinds
    {
        return Rooms::hall()->sections->boardKinds();
    }

    /** @param array<string, mixed> $document */
    private static function document(array $document): \stdClass
    {
        return House::node([
            'format' => 'f', 'slug' => 'm', 'name' => 'Machine', 'kind' => 'k', 'boards' => [['key' => 'a', 'name' => 'A']], ...$document,
        ])->object();
    }

    /** @return iterable<string, array{\stdClass, string, ?string}> every place of every machine of the demo, and which board is asked about */
    public static function places(): iterable
    {
        foreach (glob(__DIR__.'/../../../database/demo/machines/*.json') ?: [] as $file) {
            $machine = json_decode((string) file_get_contents($file), false, 64, JSON_THROW_ON_ERROR);
            foreach (array_column($machine->boards, 'key') as $place) {
                foreach (array_unique([$place, $machine->boards[0]->key, null]) as $atHand) {
                    yield basename($file)." {$place} ".($atHand ?? 'none') => [$machine, $place, $atHand];
                }
            }
        }
    }

    #[DataProvider('places')]
    public function test_what_is_taken_apart_is_the_same_together(\stdClass $machine, string $place, ?string $atHand): void
    {
        ['machine' => $rest, 'board' => $board] = self::kinds()->split($machine, $place, 'of-board', 'The board');
        self::assertSame([], self::kinds()->naming($rest, $place));
        self::assertSame(self::kinds()->naming($machine, $place), self::kinds()->naming($board, BoardKinds::PLACE));
        Rooms::hall()->profile(House::node((array) $board));
        $whole = self::kinds()->composed($rest, [$place => $board], $atHand);
        $sorted = static function (\stdClass $it): array {
            $it = (array) json_decode(json_encode($it, JSON_THROW_ON_ERROR), true);
            array_walk($it, static fn (mixed &$of) => is_array($of) && array_is_list($of) && sort($of));
            ksort($it);

            return $it;
        };
        self::assertEquals($sorted($machine), $sorted($whole));
    }

    /** @return iterable<string, array{array<string, mixed>, array<string, mixed>, array<string, mixed>}> own rail, machine's rail, what counts */
    public static function rails(): iterable
    {
        $rail = static fn (?string $source, float $volts, mixed ...$more): array => [
            'name' => '+5',
            'nominal_v' => $volts,
            ...($source === null ? [] : ['source' => $source]),
            ...$more,
        ];
        yield 'its own word first' => [$rail('label', 5.1), $rail('sheet', 5.0), $rail('label', 5.1)];
        yield 'a guess gives way' => [$rail('family: x', 5.1), $rail('sheet', 5.0), $rail('sheet', 5.0)];
        yield 'so does a copy' => [$rail('as in Machine', 5.1), $rail(null, 5.0), $rail(null, 5.0)];
        yield 'what was found along it stays' => [
            $rail(null, 5.1), $rail(null, 5.0, ohms_good: 38.0, feeds: ['U1'], ripple_max_mvpp: 50.0), $rail(null, 5.1, ohms_good: 38.0, feeds: ['U1']),
        ];
    }

    /**
     * @param array<string, mixed> $own
     * @param array<string, mixed> $machines
     * @param array<string, mixed> $counts
     */
    #[DataProvider('rails')]
    public function test_a_board_uses_its_own_kind_first(array $own, array $machines, array $counts): void
    {
        $only = ['name' => '-5', 'nominal_v' => -5.0, 'source' => 'family: x'];
        $machine = self::document(['rails' => [$machines], 'battery' => ['minV' => 2.0], 'cautions' => ['mains']]);
        $board = self::document([
            'name' => 'Board',
            'rails' => [$own, $only],
            'battery' => ['minV' => 2.4, 'source' => 'sheet'],
            'cautions' => ['mains', 'esd'],
        ]);
        $whole = self::kinds()->composed($machine, ['a' => $board], 'a');
        self::assertEquals([(object) $counts, (object) $only], $whole->rails);
        self::assertEquals([(object) ['minV' => 2.4, 'source' => 'sheet'], ['mains', 'esd'], 'Machine'], [$whole->battery, $whole->cautions, $whole->name]);
        self::assertEquals($machine, self::kinds()->composed($machine, ['a' => $board], null), 'of another board only what it has itself');
    }

    public function test_things_of_one_name_are_told_apart_by_their_place(): void
    {
        $memory = static fn (string $key, ?string $board, string $name): array => [
            'key' => $key,
            'name' => $name,
            ...($board === null ? [] : ['board' => $board]),
        ];
        $machine = self::document(['memories' => [$memory('main', 'a', 'old'), $memory('rows', 'b', 'rows of b'), $memory('more', null, 'of no board')]]);
        $of = static fn (string ...$keys): \stdClass => self::document([
            'memories' => array_map(static fn (string $it): array => $memory($it, 'main', "own {$it}"), array_values($keys)),
        ]);
        $called = static fn (?string $atHand): array => array_map(
            static fn (\stdClass $it): string => "{$it->key}: {$it->name}".(isset($it->board) ? " on {$it->board}" : ''),
            self::kinds()->composed($machine, ['a' => $of('main', 'rows'), 'c' => $of('more')], $atHand)->memories,
        );
        self::assertSame(
            ['b-rows: rows of b on b', 'more: of no board', 'c-more: own more on c', 'main: own main on a', 'rows: own rows on a'],
            $called('a'),
        );
        self::assertSame(
            ['rows: rows of b on b', 'machine-more: of no board', 'main: own main on a', 'a-rows: own rows on a', 'more: own more on c'],
            $called('c'),
        );
    }

    public function test_what_is_taught_of_a_board_names_it_where_there_are_several(): void
    {
        $two = ['boards' => [['key' => 'a', 'name' => 'A'], ['key' => 'b', 'name' => 'B']]];
        $before = self::document([...$two, 'memories' => [['key' => 'main']]]);
        $taught = self::document([...$two, 'memories' => [['key' => 'main'], ['key' => 'rows-2'], ['key' => 'rows-3', 'board' => 'a']]]);
        self::assertSame(
            [null, 'b', 'a'],
            array_map(static fn (\stdClass $it): ?string => $it->board ?? null, self::kinds()->named($before, $taught, 'b')->memories),
        );
        self::assertSame($taught, self::kinds()->named($before, $taught, 'attic'));
        $alone = self::document(['memories' => [['key' => 'rows-2']]]);
        self::assertSame($alone, self::kinds()->named(self::document([]), $alone, 'a'));
    }
}
