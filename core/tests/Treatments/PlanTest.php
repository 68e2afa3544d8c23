<?php

declare(strict_types=1);

namespace Ash\Tests\Treatments;

use Ash\Document\InvalidDocument;
use Ash\Document\Node;
use Ash\Treatments\FitsNow;
use Ash\Treatments\HandsNow;
use Ash\Treatments\HandsStep;
use Ash\Treatments\Plan;
use Ash\Treatments\PlanFound;
use Ash\Treatments\PlanTask;
use Ash\Treatments\RunsNow;
use Ash\Treatments\TreatmentsRoom;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** An order of the work around the waiting: exact where it says so, and never better than what can be. */
final class PlanTest extends TestCase
{
    /**
     * ft06: H. Fisher, G. L. Thompson, "Probabilistic learning combinations of local job-shop scheduling rules", in Industrial Scheduling,
     * 1963; the optimum of 55 is published with it in every collection of job shops (instance typed from memory, checked by its optimum).
     */
    public function test_a_published_job_shop_is_solved_and_proved(): void
    {
        $tasks = [];
        foreach ([
            [[2, 1], [0, 3], [1, 6], [3, 7], [5, 3], [4, 6]], [[1, 8], [2, 5], [4, 10], [5, 10], [0, 10], [3, 4]],
            [[2, 5], [3, 4], [5, 8], [0, 9], [1, 1], [4, 7]],
            [[1, 5], [0, 5], [2, 5], [3, 3], [4, 8], [5, 9]], [[2, 9], [1, 3], [4, 5], [5, 4], [0, 3], [3, 1]],
            [[1, 3], [3, 3], [5, 9], [0, 10], [4, 4], [2, 1]],
        ] as $job => $steps) {
            foreach ($steps as $i => [$machine, $minutes]) {
                $tasks[] = new PlanTask("{$job}.{$i}", $minutes, false, ["M{$machine}"], $i === 0 ? [] : ["{$job}.".($i - 1)]);
            }
        }
        $found = Plan::of($tasks, [], 1)?->found() ?? self::fail('no circle');
        self::assertSame([55.0, true, null], [$found->makespan, $found->proved, $found->lateness]);
        self::kept($found, [], 1);
    }

    /** @return iterable<string, array{int}> */
    public static function seeds(): iterable
    {
        for ($seed = 1; $seed <= 60; ++$seed) {
            yield "seed {$seed}" => [$seed];
        }
    }

    /** Against every order of at most six tasks, each put where it fits first: one of them is optimal for such aims. */
    #[DataProvider('seeds')]
    public function test_no_order_of_a_small_case_is_better(int $seed): void
    {
        mt_srand($seed);
        $tasks = [];
        for ($i = 0; $i < 4 + $seed % 3; ++$i) {
            $tasks[] = new PlanTask(
                name: "t{$i}", minutes: mt_rand(1, 9), hands: (bool) mt_rand(0, 1), needs: array_slice(['bath', 'supply'], 0, mt_rand(0, 2)),
                after: $i > 0 && mt_rand(0, 2) === 0 ? ['t'.mt_rand(0, $i - 1)] : [], notBefore: mt_rand(0, 1) * mt_rand(0, 8),
                due: mt_rand(0, 1) === 0 ? null : mt_rand(4, 25),
            );
        }
        $capacity = ["\0bath" => mt_rand(1, 2)];
        $hands = mt_rand(1, 2);
        $found = Plan::of($tasks, $capacity, $hands)?->found() ?? self::fail('no circle');
        self::assertTrue($found->proved);
        self::assertSame([$found->lateness ?? -INF, $found->makespan], self::least($tasks, $capacity, $hands));
        self::kept($found, $capacity, $hands);
    }

    public function test_a_large_case_is_answered_with_what_is_proved_of_it(): void
    {
        mt_srand(11);
        $tasks = [];
        for ($i = 0; $i < 60; ++$i) {
            $tasks[] = new PlanTask(
                name: "t{$i}", minutes: mt_rand(5, 60), hands: (bool) mt_rand(0, 1), needs: ['r'.mt_rand(0, 1)],
                after: $i > 3 && mt_rand(0, 1) === 1 ? ['t'.mt_rand(0, $i - 1)] : [], notBefore: 0.0, due: mt_rand(100, 900),
            );
        }
        $found = Plan::of($tasks, [], 1)?->found() ?? self::fail('no circle');
        self::kept($found, [], 1);
        self::assertLessThanOrEqual($found->lateness, $found->leastLateness);
        self::assertLessThanOrEqual($found->makespan, $found->leastMakespan);
        self::assertSame($found->proved, $found->reasons()[0] === 'no order is better');
    }

    public function test_work_goes_on_beside_the_bath(): void
    {
        $answer = json_decode((new TreatmentsRoom())->verbs()['plan']->answer(<<<'JSON'
            {"tasks": [{"name": "hang", "minutes": 10, "needs": ["bath 1"]}, {"name": "bath", "minutes": 15, "hands": false, "needs": ["bath 1"],
              "after": ["hang"]},
                {"name": "rinse", "minutes": 8, "after": ["bath"], "due": 30}, {"name": "rail run", "minutes": 15}, {"name": "second", "minutes": 5,
                  "needs": ["bath 1"], "not_before": 12}]}
            JSON), true);
        self::assertIsArray($answer);
        self::assertSame(
            [['hang', 0, 10], ['bath', 10, 25], ['rail run', 10, 25], ['rinse', 25, 33], ['second', 33, 38]],
            array_map(static fn (array $it): array => [$it['name'], $it['start'], $it['end']], $answer['tasks']),
        );
        self::assertSame([38, 3, true], [$answer['makespan'], $answer['lateness'], $answer['proved']]);
        self::assertSame(['lateness' => 0, 'makespan' => 0], $answer['gap']);
        self::assertSame('"rinse" is over 3 min after it is due', $answer['reasons'][1]);
    }

    /** Work that takes next to no time is planned too. */
    public function test_a_task_of_a_moment(): void
    {
        $answer = (new TreatmentsRoom())->verbs()['plan']->answer('{"tasks": [{"name": "a", "minutes": 5e-10}, {"name": "b", "minutes": 5, "after": ["a"]}]}');
        self::assertEqualsWithDelta(5.0, json_decode($answer)->makespan ?? null, 1e-6);
    }

    /** "Rinse the brackets at its end, before that the rail run": what runs is not waited for, and its end is met. */
    public function test_the_hands_work_around_what_runs(): void
    {
        $found = FitsNow::of(
            [
                new RunsNow('the bath', 20, false, 'bath 1', new HandsNow('rinse the brackets', 'J-0012', 8)),
                new RunsNow('the clock test', -3, false, null, new HandsNow('look', 'J-0002', null)),
            ],
            [new HandsNow('rail run', 'J-0009', 15), new HandsNow('pull the card', 'J-0010', null)],
        );
        $said = [];
        foreach ($found->steps as $it) {
            $said[$it->step->text] = [$it->start, $it->minutes, $it->because];
        }
        self::assertTrue($found->proved);
        self::assertLessThanOrEqual(25.0, $said['rinse the brackets'][0], 'what has its time is not kept waiting by what has none');
        self::assertLessThanOrEqual(6.0, $said['look'][0]);
        self::assertSame(['no order is better'], $found->reasons);
        // By hand: the look from 1 to 16 (it may wait till 6), four minutes in which no quarter of an hour fits before the rinse at 20, then the rest.
        self::assertSame(58.0, max(array_map(static fn (array $it): float => $it[0] + $it[1], $said)));
        self::assertSame('when it is over: the bath', $said['rinse the brackets'][2]);
        self::assertGreaterThanOrEqual(20.0, $said['rinse the brackets'][0]);
        self::assertGreaterThanOrEqual(1.0, $said['look'][0]);
        self::assertSame([FitsNow::ASSUMED, null], [$said['pull the card'][1], $said['pull the card'][2]]);
        self::assertSame([], FitsNow::of([], [])->steps);
        // What is promised goes first, and what is late already before all.
        $order = static fn (?float ...$due): array => array_map(
            static fn (HandsStep $it): array => [$it->step->text, $it->because],
            FitsNow::of([], array_map(static fn (?float $it, int $i): HandsNow => new HandsNow("job {$i}", 'J', 10, $it), $due, array_keys($due)))->steps,
        );
        self::assertSame([['job 1', 'promised in 2 h'], ['job 0', 'promised in 3 d'], ['job 2', null]], $order(4400.0, 150.0, null));
        self::assertSame([['job 1', 'promised, and late by 1 h'], ['job 0', 'promised in 0 h']], $order(15.0, -90.0));
    }

    /** @return iterable<string, array{string, string}> */
    public static function refused(): iterable
    {
        yield 'no tasks' => ['{"tasks": []}', '/tasks'];
        yield 'twice the same' => ['{"tasks": [{"name": "a", "minutes": 1}, {"name": "a", "minutes": 1}]}', '/tasks/1/name'];
        yield 'nothing before it' => ['{"tasks": [{"name": "a", "minutes": 1, "after": ["b"]}]}', '/tasks/0/after/0'];
        yield 'a circle' => ['{"tasks": [{"name": "a", "minutes": 1, "after": ["b"]}, {"name": "b", "minutes": 1, "after": ["a"]}]}', '/tasks'];
        yield 'itself' => ['{"tasks": [{"name": "a", "minutes": 1, "after": ["a"]}]}', '/tasks'];
        yield 'no such resource' => ['{"tasks": [{"name": "a", "minutes": 1, "needs": ["tub"]}], "resources": [{"name": "bath"}]}', '/tasks/0/needs/0'];
        yield 'a resource twice' => ['{"tasks": [{"name": "a", "minutes": 1}], "resources": [{"name": "bath"}, {"name": "bath"}]}', '/resources/1/name'];
        yield 'nothing of it' => ['{"tasks": [{"name": "a", "minutes": 1}], "resources": [{"name": "bath", "capacity": 0}]}', '/resources/0/capacity'];
        yield 'no hands' => ['{"tasks": [{"name": "a", "minutes": 1}], "hands": 0}', '/hands'];
        yield 'no time' => ['{"tasks": [{"name": "a", "minutes": 0}]}', '/tasks/0/minutes'];
        yield 'before now' => ['{"tasks": [{"name": "a", "minutes": 1, "not_before": -1}]}', '/tasks/0/not_before'];
        yield 'what is not known' => ['{"tasks": [{"name": "a", "minutes": 1, "colour": "red"}]}', '/tasks/0/colour'];
    }

    #[DataProvider('refused')]
    public function test_what_makes_no_plan_is_refused_with_its_place(string $json, string $pointer): void
    {
        try {
            Plan::read(Node::parse($json));
            self::fail('it was taken');
        } catch (InvalidDocument $refused) {
            self::assertSame($pointer, $refused->pointer);
        }
    }

    /**
     * Nothing is early, before what it waits for, or in a place that is taken.
     *
     * @param array<string, int> $capacity
     */
    private static function kept(PlanFound $found, array $capacity, int $hands): void
    {
        $names = array_flip(array_map(static fn (PlanTask $it): string => $it->name, $found->tasks));
        foreach ($found->tasks as $i => $it) {
            self::assertSame($found->start[$i] + $it->minutes, $found->end[$i]);
            self::assertGreaterThanOrEqual($it->notBefore, $found->start[$i]);
            foreach ($it->after as $name) {
                self::assertGreaterThanOrEqual($found->end[$names[$name]], $found->start[$i]);
            }
            $now = array_filter(
                array_keys($found->tasks),
                static fn (int $j): bool => $found->start[$j] <= $found->start[$i] && $found->end[$j] > $found->start[$i],
            );
            self::assertLessThanOrEqual($hands, count(array_filter($now, static fn (int $j): bool => $found->tasks[$j]->hands)));
            foreach ($it->needs as $need) {
                self::assertLessThanOrEqual(
                    $capacity["\0{$need}"] ?? 1,
                    count(array_filter($now, static fn (int $j): bool => in_array($need, $found->tasks[$j]->needs, true))),
                );
            }
        }
        self::assertSame(max($found->end), $found->makespan);
    }

    /**
     * @param list<PlanTask>                     $tasks
     * @param array<string, int>                 $capacity
     * @param array<string, array{float, float}> $placed
     *
     * @return array{float, float}
     */
    private static function least(array $tasks, array $capacity, int $hands, array $placed = [], float $lateness = -INF): array
    {
        if (count($placed) === count($tasks)) {
            return [$lateness, max(array_map(static fn (array $it): float => $it[1], $placed))];
        }
        $best = [INF, INF];
        foreach ($tasks as $task) {
            if (isset($placed[$task->name]) || array_diff($task->after, array_keys($placed)) !== []) {
                continue;
            }
            // The first whole minute at which it fits; all figures are whole.
            for ($at = (int) $task->notBefore;; ++$at) {
                $fits = true;
                foreach ($task->after as $name) {
                    $fits = $fits && $placed[$name][1] <= $at;
                }
                for ($minute = $at; $fits && $minute < $at + $task->minutes; ++$minute) {
                    $now = array_filter(
                        $tasks,
                        static fn (PlanTask $it): bool => isset($placed[$it->name]) && $placed[$it->name][0] <= $minute && $placed[$it->name][1] > $minute,
                    );
                    $fits = !$task->hands || count(array_filter($now, static fn (PlanTask $it): bool => $it->hands)) < $hands;
                    foreach ($task->needs as $need) {
                        $fits = $fits
                            && count(array_filter($now, static fn (PlanTask $it): bool => in_array($need, $it->needs, true))) < ($capacity["\0{$need}"] ?? 1);
                    }
                }
                if ($fits) {
                    break;
                }
            }
            $end = $at + $task->minutes;
            $best = min(
                $best,
                self::least(
                    $tasks, $capacity, $hands, [...$placed, $task->name => [(float) $at, $end]],
                    max($lateness, $task->due === null ? -INF : $end - $task->due),
                ),
            );
        }

        return $best;
    }
}
