<?php

declare(strict_types=1);

namespace Ash\Facts;

/** Two parts of a machine that can both be set to take the same thing, and so may be good alone and not together. */
final readonly class CouldShare implements Fact
{
    /** @param non-empty-list<string> $what interrupt, ports, bus id */
    public function __construct(public string $a, public string $b, public array $what)
    {
    }

    /** What two parts could share, by their names as they are written. */
    public function of(string $one, string $other): ?string
    {
        $names = [mb_strtolower($this->a), mb_strtolower($this->b)];

        return array_diff([mb_strtolower($one), mb_strtolower($other)], $names) === [] && mb_strtolower($one) !== mb_strtolower($other)
            ? implode(', ', $this->what)
            : null;
    }
}
