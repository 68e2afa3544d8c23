<?php

declare(strict_types=1);

namespace Ash\Isolation;

/** How much may be asked at once. */
final readonly class Bounds
{
    public const NAMES = 64;
    public const RUNS = 200;
    public const CONFLICTS = 200;
    public const CAUSES = 200;
    public const TESTS = 400;
    public const OUTCOMES = 8;
    public const TRIALS = 1_000_000;
    public const CONDITIONS = 12;
}
