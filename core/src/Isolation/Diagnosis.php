<?php

declare(strict_types=1);

namespace Ash\Isolation;

/** A set of bad members that explains every failing run, and no part of which does. */
final readonly class Diagnosis
{
    /**
     * @param list<string>       $parts
     * @param list<list<string>> $pairs       good parts that do not go together
     * @param float              $probability of exactly this set
     */
    public function __construct(public array $parts, public array $pairs, public float $probability)
    {
    }
}
