<?php

declare(strict_types=1);

namespace Ash\Setup;

/** What is wrong with a chain or a cable. */
final readonly class Problem
{
    /** @param list<string> $names who has it */
    public function __construct(public string $code, public array $names, public string $text)
    {
    }
}
