<?php

declare(strict_types=1);

namespace Ash\Facts;

/** Chips that are destroyed when their bias rail is missing while the others are up. */
final readonly class BiasedChips implements Fact
{
    /** @param non-empty-list<string> $chips in words, such as "4116 in video memory" */
    public function __construct(public array $chips)
    {
    }
}
