<?php

declare(strict_types=1);

namespace Ash\Rails;

use Ash\Document\Node;

/**
 * Where along a rail the voltage is lost, and where to probe next: a search that halves the remaining
 * likelihood with each probe.
 *
 * Invariant of the search: everything up to the good point is sound, the bad point and all after it are dead.
 */
final readonly class Path
{
    /**
     * @param list<string> $points  in order from source to destination, at least two
     * @param list<float>  $weights likelihood that the fault lies between point i-1 and point i; the first is not used
     */
    private function __construct(private array $points, private array $weights)
    {
    }

    /**
     * @param list<string>     $points
     * @param list<float>|null $weights
     */
    public static function along(array $points, ?array $weights = null): self
    {
        return new self($points, $weights ?? array_fill(0, count($points), 1.0));
    }

    public static function read(Node $list): self
    {
        $nodes = $list->items();
        if (count($nodes) < 2) {
            $list->refuse('must have at least two points');
        }
        Node::distinct(array_map(static fn (Node $node): Node => $node->only('name', 'weight')->at('name'), $nodes));

        return new self(
            array_map(static fn (Node $node): string => $node->at('name')->name(), $nodes),
            array_map(static fn (Node $node): float => $node->optional('weight')?->notNegative() ?? 1.0, $nodes),
        );
    }

    public function has(string $point): bool
    {
        return in_array($point, $this->points, true);
    }

    /**
     * @param list<array{string, bool}> $readings point and whether it was good; of one point the latest counts
     */
    public function walk(array $readings): PathWalk
    {
        $state = [];
        foreach ($readings as [$point, $good]) {
            $state[(int) array_search($point, $this->points, true)] = $good;
        }
        $last = count($this->points) - 1;
        $good = max([-1, ...array_keys($state, true, true)]);
        $bad = min([count($this->points), ...array_keys($state, false, true)]);
        if ($good > $bad) {
            return PathWalk::none(["{$this->points[$good]} is good although {$this->points[$bad]} before it is bad: probe both again"], true);
        }
        if (($state[0] ?? true) === false) {
            return PathWalk::none(["{$this->points[0]} is bad: the rail is lost before the first point"]);
        }
        if (($state[$last] ?? false) === true) {
            return PathWalk::none(["{$this->points[$last]} is good: the rail arrives, nothing is open on this path"]);
        }

        return $this->between(max(0, $good), min($last, $bad));
    }

    private function between(int $good, int $bad): PathWalk
    {
        $next = $this->split($good, $bad);
        $names = "{$this->points[$good]} and {$this->points[$bad]}";

        return PathWalk::of(
            [$this->points[$good], $this->points[$bad]],
            $next === null ? null : $this->points[$next],
            $bad - $good,
            $this->worst($good, $bad),
            $next === null
                ? ["the fault lies between {$names}"]
                : ["the fault lies between {$names}", "{$this->points[$next]} splits what is left most evenly"],
        );
    }

    /** The inner point that splits the weight between two points most evenly (ties: the earlier), or null when none is left. */
    private function split(int $good, int $bad): ?int
    {
        $total = array_sum(array_slice($this->weights, $good + 1, $bad - $good));
        $before = 0.0;
        $best = null;
        $least = INF;
        for ($i = $good + 1; $i < $bad; ++$i) {
            $before += $this->weights[$i];
            $uneven = abs($total - 2 * $before);
            if ($least === INF || ($uneven < $least && $least - $uneven > 1e-9 * max($total, $least))) {
                $best = $i;
                $least = $uneven;
            }
        }

        return $best;
    }

    /** Probes in the worst case when split() is followed to the end; ceil(log2(segments)) for equal weights. */
    private function worst(int $good, int $bad): int
    {
        $most = 0;
        $open = [[$good, $bad, 0]];
        while (($span = array_pop($open)) !== null) {
            [$from, $to, $probes] = $span;
            $next = $this->split($from, $to);
            if ($next === null) {
                $most = max($most, $probes);
            } else {
                array_push($open, [$from, $next, $probes + 1], [$next, $to, $probes + 1]);
            }
        }

        return $most;
    }
}
