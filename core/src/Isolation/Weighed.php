<?php

declare(strict_types=1);

namespace Ash\Isolation;

use Ash\Facts\Fact;

/** What the library and the swaps of a job make of it. */
final readonly class Weighed implements Fact
{
    /**
     * @param list<array{string, string, ?float}> $suspects in words, what speaks for it, probability
     * @param ?array{string, string, float}       $next     what to do, why, minutes
     */
    public function __construct(public array $suspects, public ?array $next)
    {
    }
}
