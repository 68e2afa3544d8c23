<?php

declare(strict_types=1);

namespace Ash\Memory;

/** How dark a chip is drawn by the probability that it is the one. */
final readonly class Shading
{
    /** From which probability on it is drawn one level darker. */
    private const LEVELS = [0.01, 0.1, 0.3, 0.7];

    /** @return int 0 to 4; 0 is not worth a mark */
    public static function level(float $probability): int
    {
        return count(array_filter(self::LEVELS, static fn (float $from): bool => $probability >= $from));
    }
}
