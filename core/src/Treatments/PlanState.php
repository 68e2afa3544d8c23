<?php

declare(strict_types=1);

namespace Ash\Treatments;

/** A plan as far as it goes. */
final readonly class PlanState
{
    /**
     * @param array<int, float> $start    by task, in the order in which they were placed
     * @param array<int, float> $end
     * @param float             $time     of the last start
     * @param float             $lateness the largest so far; -INF where nothing was due
     */
    public function __construct(public array $start, public array $end, public float $time, public float $lateness)
    {
    }

    /** @return array{float, float} */
    public function worth(): array
    {
        return [$this->lateness, $this->end === [] ? 0.0 : max($this->end)];
    }
}
