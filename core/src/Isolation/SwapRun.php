<?php

declare(strict_types=1);

namespace Ash\Isolation;

/** Parts that were fitted together, and what came of it. */
final readonly class SwapRun
{
    /** @param list<int> $parts by their place in the list of parts, ascending */
    public function __construct(public array $parts, public bool $works)
    {
    }
}
