<?php

declare(strict_types=1);

namespace Ash\Treatments;

use Ash\Facts\Fact;

/** A part under treatment, and the step that comes next. */
final readonly class UnderTreatment implements Fact
{
    /** @param ?int $next from 1; null when one is running, or all are done */
    public function __construct(public TreatmentChosen $chosen, public ?int $next, public bool $running, public bool $done)
    {
    }

    /**
     * @param list<int> $begun numbers of steps that were begun
     * @param list<int> $ended of those that are done
     */
    public static function of(TreatmentChosen $chosen, array $begun, array $ended): self
    {
        $running = array_diff($begun, $ended) !== [];
        $last = $ended === [] ? 0 : max($ended);
        $done = $last >= $chosen->steps();

        return new self($chosen, $running || $done ? null : $last + 1, $running, $done);
    }

    public function step(): ?TreatmentStep
    {
        return $this->next === null ? null : MeansTable::named($this->chosen->means)->steps[$this->next - 1] ?? null;
    }
}
