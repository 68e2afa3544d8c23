<?php

declare(strict_types=1);

namespace Ash\Facts;

/** A capacitor that a job wants from the shelf or the shops. */
final readonly class PartWanted implements Fact
{
    /** @param string $key what it is called on its board */
    public function __construct(public string $key, public CapacitorKind $kind, public float $markedF, public float $ratedV)
    {
    }
}
