<?php

declare(strict_types=1);

namespace Ash\Isolation;

use Ash\Facts\Fact;

/** What the library and the swaps of a job make of it. */
final readonly class Weighed implements Fact
{
    /**
     * @param list<array{string, string, ?float, ?string}> $suspects in words, what speaks for it, probability, part
     * @param ?array{string, string, float}                $next     what to do, why, minutes
     * @param list<string>                                 $clues    conditions that matter, in words
     * @param ?string                                      $notice   of a line of attack that leads nowhere
     */
    public function __construct(public array $suspects, public ?array $next, public array $clues = [], public ?string $notice = null)
    {
    }
}
