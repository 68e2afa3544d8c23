<?php

declare(strict_types=1);

namespace Ash\Tests\Logbook;

use Ash\Document\InvalidDocument;
use Ash\Document\Node;
use Ash\Logbook\RebuildList;
use Ash\Logbook\StripItem;
use PHPUnit\Framework\TestCase;

final class RebuildListTest extends TestCase
{
    private const LID = ['what' => 'lid', 'fixings' => [['kind' => 'M4x8', 'count' => 6]]];
    private const CARD = ['what' => 'card', 'fixings' => [['kind' => 'm4x8', 'count' => 1], ['kind' => 'M3x6', 'count' => 2]]];

    public function test_the_rebuild_list_is_the_strip_down_list_reversed(): void
    {
        $list = RebuildList::of([['id' => 'a', 'item' => self::LID], ['id' => 'b', 'item' => self::CARD]], []);
        self::assertSame(['card', 'lid'], array_map(static fn (array $row): string => $row['item']['what'], $list->rows));
        self::assertSame(['2 not back in: card, lid'], $list->open());
        self::assertSame([], $list->over, 'what is still out is not left over');
    }

    public function test_fixings_left_over_and_short_are_counted_by_kind_whatever_their_case(): void
    {
        $items = [['id' => 'a', 'item' => self::LID], ['id' => 'b', 'item' => self::CARD]];
        $all = RebuildList::of($items, [['item' => 'a', 'fixings' => self::LID['fixings']], ['item' => 'b', 'fixings' => self::CARD['fixings']]]);
        self::assertSame([], $all->open());
        $over = RebuildList::of($items, [['item' => 'a', 'fixings' => [['kind' => 'M4x8', 'count' => 5]]], ['item' => 'b', 'fixings' => [['kind' => 'M3x6', 'count' => 3], ['kind' => 'm4x8', 'count' => 1]]]]);
        self::assertSame(['1 m4x8 left over', '1 m3x6 short'], $over->open());
    }

    public function test_an_item_is_read_strictly(): void
    {
        $read = static fn (string $json): array => StripItem::read(Node::parse($json));
        self::assertSame('lid; 6 M4x8; J1: stripe at pin 1; stuck', StripItem::words($read('{"what": "lid", "fixings": [{"kind": "M4x8", "count": 6}], "connectors": [{"name": "J1", "orientation": "stripe at pin 1"}], "condition": ["stuck"]}')));
        foreach (['{}' => '/what', '{"what": "x", "fixings": [{"kind": "M3", "count": 0}]}' => '/fixings/0/count', '{"what": "x", "connectors": [{"name": "J1", "orientation": " "}]}' => '/connectors/0/orientation', '{"what": "x", "condition": ["dusty"]}' => '/condition/0'] as $json => $pointer) {
            try {
                $read($json);
                self::fail("{$json} was taken");
            } catch (InvalidDocument $fault) {
                self::assertSame($pointer, $fault->pointer);
            }
        }
    }
}
