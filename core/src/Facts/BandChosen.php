<?php

declare(strict_types=1);

namespace Ash\Facts;

/** The band that the bench decided on for a rail, and why. */
final readonly class BandChosen implements Fact
{
    public function __construct(public string $rail, public Band $band, public string $reason)
    {
    }
}
