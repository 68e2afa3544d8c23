<?php

declare(strict_types=1);

namespace Ash\Statistics;

/**
 * Fisher's exact test of a two by two table, two-sided: the sum over all tables with the same margins that are not more probable than the
 * one seen (relative slack 1e-7), as R's fisher.test does it. The probabilities follow one from the other, from the most probable table outwards.
 */
final readonly class Fisher
{
    private const SLACK = 1e-7;

    /** Terms that are smaller than this, beside the sum, add nothing. */
    private const NOTHING = 1e-18;

    /**
     * @param int $a of $trialsA, at most that many
     * @param int $b of $trialsB
     */
    public static function twoSided(int $a, int $trialsA, int $b, int $trialsB): float
    {
        $k = $a + $b;
        $low = max(0, $k - $trialsB);
        $high = min($trialsA, $k);
        if ($low === $high) {
            return 1.0;
        }
        $mode = max($low, min($high, intdiv(($trialsA + 1) * ($k + 1), $trialsA + $trialsB + 2)));
        $up = static fn (int $x): float => (float) ($trialsA - $x) * ($k - $x) / ((float) ($x + 1) * ($trialsB - $k + $x + 1));
        $seen = 1.0;
        for ($x = $mode; $x < $a; ++$x) {
            $seen *= $up($x);
        }
        for ($x = $mode; $x > $a; --$x) {
            $seen /= $up($x - 1);
        }
        $limit = $seen * (1 + self::SLACK);
        $total = 1.0;
        $tail = $limit >= 1.0 ? 1.0 : 0.0;
        foreach ([1, -1] as $step) {
            $weight = 1.0;
            for ($x = $mode; $step === 1 ? $x < $high : $x > $low; $x += $step) {
                $weight = $step === 1 ? $weight * $up($x) : $weight / $up($x - 1);
                $total += $weight;
                if ($weight <= $limit) {
                    $tail += $weight;
                    if ($weight < self::NOTHING * $tail) {
                        break;
                    }
                }
            }
        }

        return min(1.0, $tail / $total);
    }
}
