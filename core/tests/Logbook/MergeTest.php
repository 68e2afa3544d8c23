<?php

declare(strict_types=1);

namespace Ash\Tests\Logbook;

use Ash\Document\Node;
use Ash\Logbook\Merge;
use PHPUnit\Framework\TestCase;

/** Two descriptions of one kind: the first stands, the second adds, and what both say differently is named. */
final class MergeTest extends TestCase
{
    private static function both(string $one, string $other): Merge
    {
        return Merge::of(Node::parse($one)->object(), Node::parse($other)->object());
    }

    public function test_what_only_the_other_says_is_added(): void
    {
        $merge = self::both(
            '{"slug": "a", "name": "A", "rails": [{"name": "+5", "nominal_v": 5}], "source_notes": []}',
            '{"slug": "b", "name": "B", "rails": [{"name": "+12", "nominal_v": 12}, {"name": "+5", "nominal_v": 5, "ohms_good": 40}],
              "memories": [{"key": "main"}],
              "source_notes": [{"source": "s", "note": "n"}]}',
        );
        self::assertSame([], $merge->conflicts);
        self::assertSame(
            '{"slug":"a","name":"A","rails":[{"name":"+5","nominal_v":5,"ohms_good":40},{"name":"+12","nominal_v":12}],'
                .'"source_notes":[{"source":"s","note":"n"}],"memories":[{"key":"main"}]}',
            json_encode($merge->document),
        );
    }

    public function test_where_both_say_something_the_first_stands_and_the_conflict_is_named(): void
    {
        $merge = self::both(
            '{"slug": "a", "rails": [{"name": "+5", "nominal_v": 5, "tolerance": {"minus_pct": 5, "plus_pct": 5}}]}',
            '{"slug": "b", "rails": [{"name": "+5", "nominal_v": 5.1, "tolerance": {"minus_pct": 5, "plus_pct": 10}}]}',
        );
        self::assertSame(['/rails/+5/nominal_v: 5 stays, 5.1 goes', '/rails/+5/tolerance/plus_pct: 5 stays, 10 goes'], $merge->conflicts);
        self::assertSame('{"slug":"a","rails":[{"name":"+5","nominal_v":5,"tolerance":{"minus_pct":5,"plus_pct":5}}]}', json_encode($merge->document));
    }

    public function test_merging_with_oneself_changes_nothing(): void
    {
        $text = '{"slug":"a","rails":[{"name":"+5","nominal_v":5}],"list":[1,"x",{"ref":"C1"}],"deep":{"a":{"b":1}}}';
        self::assertSame([[], $text], [self::both($text, $text)->conflicts, json_encode(self::both($text, $text)->document)]);
    }
}
