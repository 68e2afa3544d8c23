<?php

declare(strict_types=1);

namespace Ash\Treatments;

/** What to do with one's hands while the bench waits: the next steps of the open jobs around what runs, by a plan. */
final readonly class FitsNow
{
    /** Minutes of a step of which nobody has said how long it takes. A choice of ours; it is said beside the step. */
    public const ASSUMED = 15.0;

    /** What has its time may wait so many minutes for hands that are at work. A choice of ours. */
    private const GRACE = 5.0;

    /** What is looked at least has its next look now. */
    private const LEAST = 1.0;

    /**
     * @param list<HandsStep> $steps
     * @param list<string>    $reasons
     */
    private function __construct(public array $steps, public bool $proved, public array $reasons)
    {
    }

    private static function promised(float $due): string
    {
        $days = (int) floor(abs($due) / 1440);
        $long = $days > 0 ? "{$days} d" : (int) floor(abs($due) / 60).' h';

        return $due < 0.0 ? "promised, and late by {$long}" : "promised in {$long}";
    }

    /**
     * @param list<RunsNow>  $running
     * @param list<HandsNow> $next    of the open jobs, each independent of the others
     */
    public static function of(array $running, array $next): self
    {
        $tasks = [];
        $follows = [];
        foreach ($running as $i => $it) {
            $tasks[] = new PlanTask("runs {$i}", max(self::LEAST, $it->left), $it->hands, $it->occupies === null ? [] : [$it->occupies]);
            if ($it->then !== null) {
                $follows["then {$i}"] = [$it->then, "when it is over: {$it->text}"];
                $minutes = $it->then->minutes ?? self::ASSUMED;
                $tasks[] = new PlanTask(
                    "then {$i}", $minutes, true, $it->occupies === null ? [] : [$it->occupies], ["runs {$i}"],
                    due: max(self::LEAST, $it->left) + $minutes + self::GRACE,
                );
            }
        }
        foreach ($next as $i => $it) {
            $follows["next {$i}"] = [$it, $it->due === null ? null : self::promised($it->due)];
            $tasks[] = new PlanTask("next {$i}", $it->minutes ?? self::ASSUMED, due: $it->due === null ? null : max(0.0, $it->due));
        }
        if ($tasks === []) {
            return new self([], true, []);
        }
        // Early is as good as in time: one that is never early keeps the hands from waiting for it.
        $tasks = [...array_slice($tasks, 0, Plan::TASKS - 1), new PlanTask('never early', self::LEAST, false, due: self::LEAST)];
        $found = (Plan::of($tasks, [], 1) ?? throw new \LogicException('nothing waits for itself'))->found();
        $steps = [];
        foreach ($found->order() as $i) {
            $follow = $follows[$tasks[$i]->name] ?? null;
            $follow === null
                || $steps[] = new HandsStep($follow[0], $found->start[$i], $tasks[$i]->minutes, $follow[1]);
        }

        return new self($steps, $found->proved, [$found->reasons()[0]]);
    }
}
