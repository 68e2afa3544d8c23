<?php

declare(strict_types=1);

namespace Ash\Treatments;

/** A plan of the bench, and what is proved of it. */
final readonly class PlanFound
{
    /**
     * @param list<PlanTask>    $tasks
     * @param array<int, float> $start         minutes from now, by task
     * @param array<int, float> $end
     * @param ?float            $lateness      the largest; below 0 all are early, null when nothing is due
     * @param bool              $proved        no plan is better
     * @param ?float            $leastLateness of any plan
     * @param float             $leastMakespan of any plan that is as little late
     */
    public function __construct(
        public array $tasks,
        public array $start,
        public array $end,
        public float $makespan,
        public ?float $lateness,
        public bool $proved,
        public ?float $leastLateness,
        public float $leastMakespan,
    ) {
    }

    /** @return list<int> tasks as they begin */
    public function order(): array
    {
        $order = array_keys($this->tasks);
        usort($order, fn (int $a, int $b): int => [$this->start[$a], $a] <=> [$this->start[$b], $b]);

        return $order;
    }

    /** @return list<string> */
    public function reasons(): array
    {
        $late = array_filter(array_keys($this->tasks), fn (int $i): bool => $this->tasks[$i]->due !== null && $this->end[$i] > $this->tasks[$i]->due + 1e-9);

        return [
            $this->proved ? 'no order is better' : 'the search ended before all orders were looked at: this is the best one found',
            ...array_values(array_map(
                fn (int $i): string => sprintf(
                    '"%s" is over %s min after it is due',
                    $this->tasks[$i]->name,
                    \Ash\Quantity\Notation::plain($this->end[$i] - (float) $this->tasks[$i]->due, 3),
                ),
                $late,
            )),
        ];
    }
}
