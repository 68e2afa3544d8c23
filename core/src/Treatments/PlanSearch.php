<?php

declare(strict_types=1);

namespace Ash\Treatments;

/** What a search for a plan carries along. */
final class PlanSearch
{
    /** @var array<string, list<PlanState>> by the tasks that were placed */
    public array $seen = [];

    /**
     * @param array{float, float} $root no plan is better
     * @param int                 $left steps that may still be made
     */
    public function __construct(public readonly array $root, public PlanState $best, public int $left)
    {
    }
}
