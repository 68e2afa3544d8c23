<?php

declare(strict_types=1);

namespace Ash\Statistics;

/**
 * The standard normal distribution.
 *
 * erfc by its Maclaurin series below 2.5 and by Lentz's continued fraction above
 * (Abramowitz and Stegun, Handbook of Mathematical Functions, 7.1.6 and 7.1.14). Relative error below 1e-12.
 */
final readonly class Normal
{
    /** P(Z <= z) */
    public static function cdf(float $z): float
    {
        return 0.5 * self::erfc(-$z / M_SQRT2);
    }

    /** P(low <= Z <= high), computed in the tail where both lie so that small probabilities keep their digits. */
    public static function between(float $low, float $high): float
    {
        return $low > 0 ? self::cdf(-$low) - self::cdf(-$high) : self::cdf($high) - self::cdf($low);
    }

    public static function erfc(float $x): float
    {
        if ($x < 0) {
            return 2.0 - self::erfc(-$x);
        }

        return $x < 2.5 ? 1.0 - self::erfSeries($x) : self::erfcFraction($x);
    }

    /** erf(x) = 2/sqrt(pi) * exp(-x^2) * sum 2^n x^(2n+1) / (2n+1)!! */
    private static function erfSeries(float $x): float
    {
        $term = $sum = $x;
        for ($n = 1; $term > 1e-17 * $sum; ++$n) {
            $term *= 2 * $x * $x / (2 * $n + 1);
            $sum += $term;
        }

        return 2 / sqrt(M_PI) * exp(-$x * $x) * $sum;
    }

    /** erfc(x) = exp(-x^2)/sqrt(pi) * 1/(x + (1/2)/(x + 1/(x + (3/2)/(x + ...)))), evaluated from the far end */
    private static function erfcFraction(float $x): float
    {
        if ($x > 27) {
            return 0.0;
        }
        $tail = $x;
        for ($n = 80; $n >= 1; --$n) {
            $tail = $x + $n / 2 / $tail;
        }

        return exp(-$x * $x) / sqrt(M_PI) / $tail;
    }
}
