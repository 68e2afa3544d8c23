<?php

declare(strict_types=1);

namespace Ash\Logbook;

/** What a room finds on a job. */
final readonly class Findings
{
    /**
     * @param list<string>    $known
     * @param list<Suspect>   $suspects best first
     * @param list<Step>      $steps    best first
     * @param list<GateState> $gates
     * @param list<string>    $forbids  what stands in the way of handing the board back
     * @param list<Running>   $running  what goes on by itself meanwhile
     * @param list<Unproven>  $unproven what stands between the board and the claim that it is fixed
     * @param list<Step>      $waits    what cannot be done until something has come
     * @param list<string>    $notices  on how the time is spent
     */
    public function __construct(
        public array $known = [],
        public array $suspects = [],
        public array $steps = [],
        public array $gates = [],
        public array $forbids = [],
        public array $running = [],
        public array $unproven = [],
        public array $waits = [],
        public array $notices = [],
    ) {
    }

    /** @param list<self> $all */
    public static function together(array $all): self
    {
        return new self(
            known: array_merge(...array_map(static fn (self $it): array => $it->known, $all)),
            suspects: array_merge(...array_map(static fn (self $it): array => $it->suspects, $all)),
            steps: array_merge(...array_map(static fn (self $it): array => $it->steps, $all)),
            gates: array_merge(...array_map(static fn (self $it): array => $it->gates, $all)),
            forbids: array_merge(...array_map(static fn (self $it): array => $it->forbids, $all)),
            running: array_merge(...array_map(static fn (self $it): array => $it->running, $all)),
            unproven: array_merge(...array_map(static fn (self $it): array => $it->unproven, $all)),
            waits: array_merge(...array_map(static fn (self $it): array => $it->waits, $all)),
            notices: array_merge(...array_map(static fn (self $it): array => $it->notices, $all)),
        );
    }
}
