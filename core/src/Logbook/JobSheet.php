<?php

declare(strict_types=1);

namespace Ash\Logbook;

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
     */
    private function __construct(
        public array $known,
        public array $suspected,
        public array $steps,
        public array $gates,
        public array $notices,
        public array $forbids,
        public array $running,
    ) {
    }

    /** @param list<Findings> $findings of the rooms, in their order */
    public static function of(Situation $at, array $findings): self
    {
        $all = Findings::together($findings);
        $steps = $all->steps;
        // Stable: within one urgency the rooms' order stays.
        usort($steps, static fn (Step $one, Step $other): int => $one->urgency->value <=> $other->urgency->value);

        return new self(
            known: $all->known,
            suspected: $all->suspects,
            steps: [...$steps, StageStep::of($at->stage)],
            gates: $all->gates,
            notices: $at->outcome === null ? $at->allowance->notices(array_map(static fn (Suspect $it): string => $it->text, $all->suspects)) : [],
            forbids: $all->forbids,
            running: $all->running,
        );
    }

    public function next(): Step
    {
        return $this->steps[0];
    }
}
