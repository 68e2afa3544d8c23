<?php

declare(strict_types=1);

namespace Ash\Statistics;

/**
 * The beta distribution. Regularised incomplete beta by its continued fraction (DLMF 8.17.22, Lentz's method), its quantile by
 * bisection, which always ends. Relative error below 1e-12.
 */
final readonly class Beta
{
    /** P(X <= x), a and b above 0, x from 0 to 1 */
    public static function cdf(float $x, float $a, float $b): float
    {
        if ($x <= 0.0 || $x >= 1.0) {
            return $x <= 0.0 ? 0.0 : 1.0;
        }
        $front = exp(self::logGamma($a + $b) - self::logGamma($a) - self::logGamma($b) + $a * log($x) + $b * log1p(-$x));

        return $x < ($a + 1) / ($a + $b + 2) ? $front * self::fraction($x, $a, $b) / $a : 1 - $front * self::fraction(1 - $x, $b, $a) / $b;
    }

    /** The x with P(X <= x) = p */
    public static function quantile(float $p, float $a, float $b): float
    {
        $low = 0.0;
        $high = 1.0;
        for ($i = 0; $i < 200 && $high - $low > 1e-16 * $high; ++$i) {
            $middle = ($low + $high) / 2;
            if (self::cdf($middle, $a, $b) < $p) {
                $low = $middle;
            } else {
                $high = $middle;
            }
        }

        return ($low + $high) / 2;
    }

    private static function fraction(float $x, float $a, float $b): float
    {
        $tiny = 1e-300;
        $c = 1.0;
        $d = 1 - ($a + $b) * $x / ($a + 1);
        $d = 1 / (abs($d) < $tiny ? $tiny : $d);
        $value = $d;
        for ($m = 1; $m <= 10000; ++$m) {
            foreach ([
                $m * ($b - $m) * $x / (($a + 2 * $m - 1) * ($a + 2 * $m)),
                -($a + $m) * ($a + $b + $m) * $x / (($a + 2 * $m) * ($a + 2 * $m + 1)),
            ] as $term) {
                $d = 1 + $term * $d;
                $d = 1 / (abs($d) < $tiny ? $tiny : $d);
                $c = 1 + $term / $c;
                $c = abs($c) < $tiny ? $tiny : $c;
                $value *= $c * $d;
            }
            if (abs($c * $d - 1) < 1e-15) {
                break;
            }
        }

        return $value;
    }

    /** ln Gamma(x), x above 0: Lanczos' approximation, g = 7, nine terms (C. Lanczos 1964; coefficients as published by P. Godfrey, from memory). */
    public static function logGamma(float $x): float
    {
        $coefficients = [
            676.5203681218851,
            -1259.1392167224028,
            771.32342877765313,
            -176.61502916214059,
            12.507343278686905,
            -0.13857109526572012,
            9.9843695780195716e-6,
            1.5056327351493116e-7,
        ];
        if ($x < 0.5) {
            return log(M_PI / sin(M_PI * $x)) - self::logGamma(1 - $x);
        }
        --$x;
        $sum = 0.99999999999980993;
        foreach ($coefficients as $i => $coefficient) {
            $sum += $coefficient / ($x + $i + 1);
        }
        $t = $x + 7.5;

        return 0.5 * log(2 * M_PI) + ($x + 0.5) * log($t) - $t + log($sum);
    }
}
