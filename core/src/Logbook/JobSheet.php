<?php

declare(strict_types=1);

namespace Ash\Logbook;

use Ash\Facts\PowerOn;

/** The head of a job: what is known, what is suspected and why, what to do next, and which gates stand open. */
final readonly class JobSheet
{
    /**
     * @param list<string>         $known
     * @param list<Suspect>        $suspected
     * @param non-empty-list<Step> $steps     what to do, the next first
     * @param list<GateState>      $gates
     * @param list<string>         $notices
     * @param list<string>         $forbids   what stands in the way of handing the board back
     * @param list<Running>        $running
     * @param list<Unproven>       $unproven  what stands between the board and the claim that it is fixed
     * @param list<Step>           $waits     what cannot be done until something has come; beside the steps, not instead of them
     */
    private function __construct(
        public array $known,
        public array $suspected,
        public array $steps,
        public array $gates,
        public array $notices,
        public array $forbids,
        public array $running,
        public array $unproven,
        public array $waits,
    ) {
    }

    /** @param list<Findings> $findings of the rooms, in their order */
    public static function of(Situation $at, array $findings): self
    {
        $all = Findings::together($findings);
        $steps = $all->steps;
        // Stable: within one urgency the rooms' order stays.
        usort($steps, static fn (Step $one, Step $other): int => $one->urgency->value <=> $other->urgency->value);

        $suspects = Suspect::ranked($all->suspects);

        return new self(
            known: $all->known,
            suspected: $suspects,
            steps: [...$steps, StageStep::of($at->stage)],
            gates: $all->gates,
            notices: $at->outcome === null
                ? [...$all->notices, ...$at->allowance->notices(array_map(static fn (Suspect $it): string => $it->text, $suspects))]
                : [],
            forbids: $all->forbids,
            running: $all->running,
            unproven: [
                ...array_merge(...array_map(self::notOpen(...), $all->gates)),
                ...array_map(static fn (string $it): Unproven => new Unproven($it, null, true), $all->forbids),
                ...$all->unproven,
            ],
            waits: $all->waits,
        );
    }

    /** @return list<Unproven> a gate that somebody leapt over is open to work, and not to a claim */
    private static function notOpen(GateState $gate): array
    {
        $why = $gate->why[0] ?? '';

        return match ($gate->level) {
            PowerOn::Ok => [],
            PowerOn::Hold => [
                new Unproven("{$gate->gate->words()}: {$why}".($gate->passedBecause === null ? '' : ", passed because {$gate->passedBecause}"), 'line'),
            ],
            // A bias rail that was measured and is missing stops the rails' own gate too.
            PowerOn::Stop => [new Unproven("{$gate->gate->words()}: {$why}", 'line', $gate->gate !== Gate::Bias)],
        };
    }

    public function next(): Step
    {
        return $this->steps[0];
    }
}
