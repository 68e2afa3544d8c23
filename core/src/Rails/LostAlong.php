<?php

declare(strict_types=1);

namespace Ash\Rails;

/** A rail on which voltage is there at one point and gone at a later one: where to walk along it. */
final readonly class LostAlong
{
    /** @param array<string, PointState> $points by name, in order along the rail */
    private function __construct(public PathWalk $walk, public array $points)
    {
    }

    /**
     * @param non-empty-list<TestPoint>    $points in order along the rail
     * @param array<string, JudgedReading> $read   by point, what has a voltage
     *
     * @return self|null null while nothing is lost along it
     */
    public static function of(array $points, array $read): ?self
    {
        $found = $lost = false;
        $known = [];
        foreach ($points as $point) {
            $judged = $read[$point->name] ?? null;
            if ($judged !== null) {
                $known[] = [$point->name, $judged->good()];
                $lost = $lost || ($found && $judged->absent());
                $found = $found || $judged->good();
            }
        }
        if (!$lost || count($points) < 2) {
            return null;
        }
        $names = array_map(static fn (TestPoint $point): string => $point->name, $points);
        $walk = Path::along($names, array_map(static fn (TestPoint $point): float => $point->weight, $points))->walk($known);
        $states = array_fill_keys($names, PointState::Unknown);
        foreach ($known as [$name, $good]) {
            $states[$name] = $good ? PointState::Good : PointState::Dead;
        }
        if ($walk->nextPoint !== null) {
            $states[$walk->nextPoint] = PointState::Next;
        }

        return new self($walk, $states);
    }
}
