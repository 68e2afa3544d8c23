<?php

declare(strict_types=1);

namespace Ash\Facts;

/** What was replaced on a job. */
final readonly class PartsReplaced implements Fact
{
    /** @param non-empty-list<string> $parts one line each, in time order */
    public function __construct(public array $parts, public \DateTimeInterface $last)
    {
    }
}
