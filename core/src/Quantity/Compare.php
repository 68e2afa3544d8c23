<?php

declare(strict_types=1);

namespace Ash\Quantity;

/**
 * Comparisons with a limit. Each has a relative slack of 1e-9, so that a value on the edge counts as
 * inside and decimal input (4.75, 10.8) does not fall off an edge through binary rounding.
 */
final readonly class Compare
{
    private const SLACK = 1e-9;

    public static function atMost(float $value, float $limit): bool
    {
        return $value <= $limit + self::slack($value, $limit);
    }

    public static function atLeast(float $value, float $limit): bool
    {
        return $value >= $limit - self::slack($value, $limit);
    }

    public static function above(float $value, float $limit): bool
    {
        return !self::atMost($value, $limit);
    }

    public static function below(float $value, float $limit): bool
    {
        return !self::atLeast($value, $limit);
    }

    public static function same(float $one, float $other): bool
    {
        return self::atMost($one, $other) && self::atLeast($one, $other);
    }

    private static function slack(float $one, float $other): float
    {
        $larger = max(abs($one), abs($other));

        // Beside infinity everything would be within the slack, an open trace within its limit.
        return is_infinite($larger) ? 0.0 : self::SLACK * $larger;
    }
}
