<?php

declare(strict_types=1);

namespace Ash\Logbook;

use Ash\Facts\Facts;
use Ash\Facts\OpenThing;

/** A job as the rules about it see it. Times are in it only as differences that somebody took: rules do not ask the clock. */
final readonly class Situation
{
    /**
     * @param Facts               $facts what the record and the description say, by type
     * @param array<string, Leap> $leaps the latest recorded decision to go on past a gate, by gate
     */
    public function __construct(
        public Stage $stage,
        public Profile $profile,
        public Facts $facts,
        public Allowance $allowance,
        public ?string $symptom = null,
        public array $leaps = [],
        public ?Outcome $outcome = null,
    ) {
    }

    public function knowing(Facts $facts): self
    {
        return new self(
            stage: $this->stage,
            profile: $this->profile,
            facts: $facts,
            allowance: $this->allowance,
            symptom: $this->symptom,
            leaps: $this->leaps,
            outcome: $this->outcome,
        );
    }

    /** @return list<OpenThing> */
    public function open(string $kind): array
    {
        return array_values(array_filter($this->facts->all(OpenThing::class), static fn (OpenThing $it): bool => $it->kind === $kind));
    }

    /** @param list<string> $why */
    public function gate(Gate $gate, \Ash\Facts\PowerOn $level, array $why): GateState
    {
        return GateState::of($gate, $level, $why, $this->leaps[$gate->value] ?? null);
    }
}
