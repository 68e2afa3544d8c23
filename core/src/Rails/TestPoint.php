<?php

declare(strict_types=1);

namespace Ash\Rails;

use Ash\Document\Node;

/** A place to put the probe, in order along a rail. One without a `point` serves the path walk only. */
final readonly class TestPoint
{
    private function __construct(public string $name, public ?Point $point, public ?string $where, public float $weight)
    {
    }

    /** @return non-empty-list<self> a rail without test points is probed at the supply's output */
    public static function readAll(Node $rail): array
    {
        $nodes = $rail->optional('test_points')?->items() ?? [];
        Node::distinct(array_map(static fn (Node $node): Node => $node->only('name', 'point', 'where', 'weight')->at('name'), $nodes));
        $points = [];
        $seen = [];
        foreach ($nodes as $node) {
            $point = $node->optional('point')?->enum(Point::class);
            if ($point !== null && isset($seen[$point->value])) {
                $node->at('point')->refuse('only one test point of a rail stands for the '.$point->value);
            }
            $seen[$point->value ?? ''] = true;
            $points[] = new self($node->at('name')->text(120), $point, $node->optional('where')?->text(200), $node->optional('weight')?->notNegative() ?? 1.0);
        }

        return $points === [] ? [new self('supply output', Point::Supply, null, 1.0)] : $points;
    }
}
