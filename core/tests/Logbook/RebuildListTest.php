<?php

declare(strict_types=1);

namespace Ash\Tests\Logbook;

use Ash\Document\InvalidDocument;
use Ash\Document\Node;
use Ash\Document\Shape;
use Ash\Logbook\Entries\PutBack;
use Ash\Logbook\Entries\TakenOut;
use Ash\Logbook\RebuildList;
use Ash\Tests\House;
use PHPUnit\Framework\TestCase;

final class RebuildListTest extends TestCase
{
    private static function item(string $what, string $fixings): TakenOut
    {
        $item = House::entry('strip', ['what' => $what, 'fixings' => $fixings]);
        self::assertInstanceOf(TakenOut::class, $item);

        return $item;
    }

    private static function back(string $item, ?string $fixings = null): PutBack
    {
        return new PutBack($item, $fixings === null ? null : self::item('x', $fixings)->fixings);
    }

    public function test_the_rebuild_list_is_the_strip_down_list_reversed(): void
    {
        $list = RebuildList::of(['a' => self::item('lid', '6 M4x8'), 'b' => self::item('card', 'm4x8, 2 M3x6')], []);
        self::assertSame(['card', 'lid'], array_values(array_map(static fn (TakenOut $item): string => $item->what, $list->items)));
        self::assertSame(['2 not back in: card, lid'], $list->open());
        self::assertSame([], $list->over, 'what is still out is not left over');
    }

    public function test_fixings_left_over_and_short_are_counted_by_kind_whatever_their_case(): void
    {
        $items = ['a' => self::item('lid', '6 M4x8'), 'b' => self::item('card', '1 m4x8, 2 M3x6')];
        self::assertSame([], RebuildList::of($items, [self::back('a'), self::back('b', '1 m4x8, 2 M3x6')])->open());
        $over = RebuildList::of($items, [self::back('a', '5 M4x8'), self::back('b', '3 M3x6, 1 m4x8')]);
        self::assertSame(['1 m4x8 left over', '1 m3x6 short'], $over->open());
        self::assertTrue($over->ticked('a'));
        self::assertFalse(RebuildList::of($items, [])->ticked('a'));
    }

    public function test_an_item_is_read_strictly(): void
    {
        $read = static fn (string $json): TakenOut => Shape::of(TakenOut::class)->read(Node::parse($json));
        self::assertSame(
            'lid; 6 M4x8; J1: stripe at pin 1; stuck',
            $read(
                '{"what": "lid", "fixings": [{"kind": "M4x8", "count": 6}], "connectors": [{"name": "J1", "orientation": "stripe at pin '
                    .'1"}], "condition": ["stuck"]}',
            )->sentence(''),
        );
        foreach ([
            '{}' => '/what',
            '{"what": "x", "fixings": [{"kind": "M3", "count": 0}]}' => '/fixings/0/count',
            '{"what": "x", "connectors": [{"name": "J1", "orientation": " "}]}' => '/connectors/0/orientation',
            '{"what": "x", "condition": ["dusty"]}' => '/condition/0',
        ] as $json => $pointer) {
            try {
                $read($json);
                self::fail("{$json} was taken");
            } catch (InvalidDocument $fault) {
                self::assertSame($pointer, $fault->pointer);
            }
        }
    }
}
