<?php

declare(strict_types=1);

namespace Ash\Treatments;

use Ash\Document\Node;

/**
 * An order of the work on the bench around the waiting: tasks with what they take up, one or more pairs of hands. The aim is the least
 * largest lateness, then the earliest end.
 *
 * The search builds plans by starts that never go back in time (the precedence tree of J. H. Patterson and others, Management Science 35, 1989,
 * from memory), passes over what B. Giffler and G. L. Thompson show to be no better (Operations Research 8, 1960), and what another way to
 * the same set of tasks has reached as early. A task's lower bound is the longest way behind it; a resource's that of one machine whose
 * tasks may be interrupted (J. R. Jackson's rule).
 */
final readonly class Plan
{
    public const TASKS = 200;

    /** Where the search ends without proof: steps, each of one task more at one place, times the number of tasks. */
    private const WORK = 200_000;

    /** Plans of the same tasks that are kept for comparison. */
    private const KEPT = 12;
    private const SLACK = 1e-9;

    /**
     * @param list<PlanTask>  $tasks
     * @param list<list<int>> $before   of each task, the numbers of those that must be over
     * @param list<list<int>> $uses     of each task, the numbers of its resources
     * @param list<int>       $capacity of each resource, the hands last
     * @param list<float>     $tail     minutes from a task's start to the last end behind it
     * @param list<float>     $latest   when a task must be over for nothing behind it to be late; INF where nothing is due
     * @param list<int>       $order    each task behind those it waits for
     */
    private function __construct(
        private array $tasks,
        private array $before,
        private array $uses,
        private array $capacity,
        private array $tail,
        private array $latest,
        private array $order,
    ) {
    }

    public static function read(Node $node): self
    {
        $node->only('tasks', 'resources', 'hands');
        $nodes = $node->at('tasks')->items(self::TASKS);
        $nodes !== [] || $node->at('tasks')->refuse('must list at least one task');
        $tasks = array_map(PlanTask::read(...), $nodes);
        Node::distinct(array_map(static fn (Node $it): Node => $it->at('name'), $nodes));
        $listed = $node->optional('resources')?->items() ?? [];
        $capacity = [];
        foreach ($listed as $it) {
            $it->only('name', 'capacity');
            $capacity["\0{$it->at('name')->name()}"] = $it->optional('capacity')?->integer(1, self::TASKS) ?? 1;
        }
        Node::distinct(array_map(static fn (Node $it): Node => $it->at('name'), $listed));
        $known = array_flip(array_map(static fn (PlanTask $it): string => "\0{$it->name}", $tasks));
        foreach ($nodes as $it) {
            foreach ($it->optional('after')?->items() ?? [] as $one) {
                isset($known["\0{$one->string()}"]) || $one->refuse("there is no task \"{$one->string()}\"");
            }
            foreach ($listed === [] ? [] : ($it->optional('needs')?->items() ?? []) as $one) {
                isset($capacity["\0{$one->string()}"]) || $one->refuse("there is no resource \"{$one->string()}\"");
            }
        }

        return self::of($tasks, $capacity, $node->optional('hands')?->integer(1, self::TASKS) ?? 1)
            ?? $node->at('tasks')->refuse('wait for one another in a circle');
    }

    /**
     * @param non-empty-list<PlanTask> $tasks
     * @param array<string, int>       $capacity by resource, behind a NUL; of others there is one
     *
     * @return ?self null when tasks wait for one another in a circle
     */
    public static function of(array $tasks, array $capacity, int $hands): ?self
    {
        $number = array_flip(array_map(static fn (PlanTask $it): string => "\0{$it->name}", $tasks));
        foreach ($tasks as $it) {
            foreach ($it->needs as $need) {
                $capacity["\0{$need}"] ??= 1;
            }
        }
        $place = array_flip(array_keys($capacity));
        $before = array_map(static fn (PlanTask $it): array => array_map(static fn (string $name): int => $number["\0{$name}"], $it->after), $tasks);
        $uses = array_map(static fn (PlanTask $it): array => [
            ...array_map(static fn (string $need): int => $place["\0{$need}"], $it->needs), ...($it->hands ? [count($place)] : []),
        ], $tasks);
        $order = self::ordered($before);
        if ($order === null) {
            return null;
        }
        $tail = array_map(static fn (PlanTask $it): float => $it->minutes, $tasks);
        $latest = array_map(static fn (PlanTask $it): float => $it->due ?? INF, $tasks);
        foreach (array_reverse($order) as $i) {
            foreach ($before[$i] as $j) {
                $tail[$j] = max($tail[$j], $tasks[$j]->minutes + $tail[$i]);
                $latest[$j] = min($latest[$j], $latest[$i] - $tasks[$i]->minutes);
            }
        }

        return new self(
            tasks: $tasks, before: $before, uses: $uses, capacity: [...array_values($capacity), $hands], tail: array_values($tail),
            latest: array_values($latest), order: $order,
        );
    }

    /**
     * @param list<list<int>> $before
     *
     * @return ?list<int> each task behind those it waits for
     */
    private static function ordered(array $before): ?array
    {
        $order = [];
        $done = [];
        do {
            $found = false;
            foreach ($before as $i => $those) {
                if (!isset($done[$i]) && array_diff_key(array_flip($those), $done) === []) {
                    $order[] = $i;
                    $done[$i] = $found = true;
                }
            }
        } while ($found);

        return count($order) === count($before) ? $order : null;
    }

    public function found(): PlanFound
    {
        // What is most urgent first; what has the most behind it; what is longest; as it is listed.
        $rules = [
            array_map(static fn (float $latest, float $tail): array => [$latest, -$tail], $this->latest, $this->tail),
            array_map(static fn (float $tail): array => [-$tail], $this->tail),
            array_map(static fn (PlanTask $it, float $latest): array => [$latest - $it->minutes, -$it->minutes], $this->tasks, $this->latest),
            array_map(static fn (int $i): array => [$i], array_keys($this->tasks)),
        ];
        $best = $this->byRule($rules[0]);
        foreach ($rules as $rule) {
            $plan = $this->byRule($rule);
            $best = self::less($plan->worth(), $best->worth()) ? $plan : $best;
        }
        $search = new PlanSearch($this->bound(new PlanState([], [], 0.0, -INF)), $best, intdiv(self::WORK, count($this->tasks)));
        $this->branch(new PlanState([], [], 0.0, -INF), $search);
        $plan = $search->best;
        [$lateness, $makespan] = $plan->worth();

        return new PlanFound(
            tasks: $this->tasks, start: $plan->start, end: $plan->end, makespan: $makespan, lateness: is_finite($lateness) ? $lateness : null,
            proved: $search->left > 0,
            leastLateness: is_finite($lateness) ? ($search->left > 0 ? $lateness : $search->root[0]) : null,
            leastMakespan: $search->left > 0 ? $makespan : min($makespan, $search->root[1]),
        );
    }

    /** @param list<list<float|int>> $rule by task, the least first */
    private function byRule(array $rule): PlanState
    {
        $state = new PlanState([], [], 0.0, -INF);
        while (count($state->start) < count($this->tasks)) {
            $ways = $this->ways($state);
            usort($ways, static fn (array $a, array $b): int => $rule[$a[0]] <=> $rule[$b[0]]);
            $state = $this->next($state, ...$ways[0]);
        }

        return $state;
    }

    /** One task more. */
    private function next(PlanState $state, int $task, float $start): PlanState
    {
        $end = $start + $this->tasks[$task]->minutes;

        return new PlanState(
            $state->start + [$task => $start],
            $state->end + [$task => $end],
            $start,
            max($state->lateness, $this->tasks[$task]->due === null ? -INF : $end - $this->tasks[$task]->due),
        );
    }

    /**
     * Tasks that may come next, each as early as what began before lets it, and none that leaves time for another one before it.
     *
     * @return non-empty-list<array{int, float}>
     */
    private function ways(PlanState $state): array
    {
        $ways = [];
        $first = INF;
        foreach ($this->tasks as $i => $task) {
            if (isset($state->start[$i]) || array_diff_key(array_flip($this->before[$i]), $state->start) !== []) {
                continue;
            }
            $from = max($state->time, $task->notBefore);
            foreach ($this->before[$i] as $j) {
                $from = max($from, $state->end[$j]);
            }
            foreach ($this->uses[$i] as $resource) {
                $from = max($from, $this->free($state, $resource, $from));
            }
            $ways[] = [$i, $from];
            $first = min($first, $from + $task->minutes);
        }

        // The one that is over first can always come next, also when it takes next to no time.
        return array_values(array_filter(
            $ways,
            fn (array $it): bool => $it[1] < $first - self::SLACK || $it[1] + $this->tasks[$it[0]]->minutes <= $first,
        )) ?: throw new \LogicException('some task can always come next');
    }

    /** When one more fits into a resource: all that uses it has begun, so that it only gets free. */
    private function free(PlanState $state, int $resource, float $from): float
    {
        $ends = [];
        foreach ($state->end as $j => $end) {
            if ($end > $from + self::SLACK && in_array($resource, $this->uses[$j], true)) {
                $ends[] = $end;
            }
        }
        $over = count($ends) - $this->capacity[$resource];
        if ($over < 0) {
            return $from;
        }
        sort($ends);

        return $ends[$over];
    }

    /**
     * No plan that goes on from here is better.
     *
     * @return array{float, float} lateness, end
     */
    private function bound(PlanState $state): array
    {
        $lateness = $state->lateness;
        $end = $state->end === [] ? 0.0 : max($state->end);
        $head = $state->end;
        $left = [];
        foreach ($this->order as $i) {
            if (isset($state->start[$i])) {
                continue;
            }
            $from = max($state->time, $this->tasks[$i]->notBefore);
            foreach ($this->before[$i] as $j) {
                $from = max($from, $head[$j]);
            }
            $head[$i] = $from + $this->tasks[$i]->minutes;
            $lateness = max($lateness, $head[$i] - $this->latest[$i]);
            $end = max($end, $from + $this->tail[$i]);
            foreach ($this->uses[$i] as $resource) {
                $left[$resource][] = $i;
            }
        }
        foreach ($left as $resource => $those) {
            $free = $this->capacity[$resource] === 1 ? $this->free($state, $resource, $state->time) : $state->time;
            $jobs = array_map(
                fn (int $i): array => [max($free, $head[$i] - $this->tasks[$i]->minutes), $this->tasks[$i]->minutes / $this->capacity[$resource], $i],
                $those,
            );
            // Shared among several, each works at a part of the speed; then what is behind a task begins when the whole of it is over.
            $end = max($end, self::oneMachine($jobs, fn (int $i): float => $this->tail[$i] - $this->tasks[$i]->minutes));
            $lateness = max($lateness, self::oneMachine($jobs, fn (int $i): float => -$this->latest[$i]));
        }

        return [$lateness, $end];
    }

    /**
     * The largest end plus what is behind it, on one machine that may interrupt: always the one with the most behind it.
     *
     * @param list<array{float, float, int}> $jobs   from when, how long, which
     * @param \Closure(int): float           $behind
     */
    private static function oneMachine(array $jobs, \Closure $behind): float
    {
        usort($jobs, static fn (array $a, array $b): int => $a[0] <=> $b[0]);
        $queue = new \SplPriorityQueue();
        $worst = -INF;
        $time = 0.0;
        $next = 0;
        while ($next < count($jobs) || !$queue->isEmpty()) {
            if ($queue->isEmpty()) {
                $time = max($time, $jobs[$next][0]);
            }
            for (; $next < count($jobs) && $jobs[$next][0] <= $time; ++$next) {
                $queue->insert([$jobs[$next][1], $behind($jobs[$next][2])], $behind($jobs[$next][2]));
            }
            /** @var array{float, float} $job */
            $job = $queue->extract();
            $until = $next < count($jobs) ? min($time + $job[0], $jobs[$next][0]) : $time + $job[0];
            $rest = $job[0] - ($until - $time);
            $time = $until;
            $rest > self::SLACK ? $queue->insert([$rest, $job[1]], $job[1]) : $worst = max($worst, $time + $job[1]);
        }

        return $worst;
    }

    /**
     * @param array{float, float} $a
     * @param array{float, float} $b
     */
    private static function less(array $a, array $b): bool
    {
        return $a[0] < $b[0] - self::SLACK || ($a[0] <= $b[0] + self::SLACK && $a[1] < $b[1] - self::SLACK);
    }

    private function branch(PlanState $state, PlanSearch $search): void
    {
        if ($search->left <= 0 || !self::less($search->root, $search->best->worth())) {
            return;
        }
        if (count($state->start) === count($this->tasks)) {
            if (self::less($state->worth(), $search->best->worth())) {
                $search->best = $state;
            }

            return;
        }
        $ways = [];
        foreach ($this->ways($state) as [$task, $start]) {
            --$search->left;
            $next = $this->next($state, $task, $start);
            $bound = $this->bound($next);
            if (self::less($bound, $search->best->worth())) {
                $ways[] = [$bound, $start, $next];
            }
        }
        usort($ways, static fn (array $a, array $b): int => [$a[0], $a[1]] <=> [$b[0], $b[1]]);
        foreach ($ways as [$bound, , $next]) {
            if (self::less($bound, $search->best->worth()) && !$this->reached($next, $search)) {
                $this->branch($next, $search);
            }
        }
    }

    /** Whether the same tasks were placed before, none of them later as far as anything to come can tell. */
    private function reached(PlanState $state, PlanSearch $search): bool
    {
        $done = $state->end;
        ksort($done);
        $key = implode(' ', array_keys($done));
        foreach ($search->seen[$key] ?? [] as $other) {
            if ($other->time > $state->time + self::SLACK
                || $other->lateness > $state->lateness + self::SLACK
                || $other->worth()[1] > $state->worth()[1] + self::SLACK) {
                continue;
            }
            foreach ($other->end as $i => $end) {
                if ($end > max($done[$i], $state->time) + self::SLACK) {
                    continue 2;
                }
            }

            return true;
        }
        count($search->seen[$key] ?? []) < self::KEPT && $search->seen[$key][] = $state;

        return false;
    }
}
