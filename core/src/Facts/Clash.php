<?php

declare(strict_types=1);

namespace Ash\Facts;

/** Two substances that must not meet, and what they make. */
final readonly class Clash
{
    /** @param bool $onlyClosed told always, refused only in a closed vessel */
    public function __construct(public Substance $a, public Substance $b, public string $makes, public bool $onlyClosed)
    {
    }

    public function words(): string
    {
        return "{$this->a->words()} and {$this->b->words()}: {$this->makes}".($this->onlyClosed ? ', in a closed vessel' : '');
    }
}
