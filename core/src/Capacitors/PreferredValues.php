<?php

declare(strict_types=1);

namespace Ash\Capacitors;

/** Preferred numbers for capacitors: IEC 60063, series E3 to E24. */
final readonly class PreferredValues
{
    public const SERIES = [
        'E3' => [1.0, 2.2, 4.7],
        'E6' => [1.0, 1.5, 2.2, 3.3, 4.7, 6.8],
        'E12' => [1.0, 1.2, 1.5, 1.8, 2.2, 2.7, 3.3, 3.9, 4.7, 5.6, 6.8, 8.2],
        'E24' => [1.0, 1.1, 1.2, 1.3, 1.5, 1.6, 1.8, 2.0, 2.2, 2.4, 2.7, 3.0, 3.3, 3.6, 3.9, 4.3, 4.7, 5.1, 5.6, 6.2, 6.8, 7.5, 8.2, 9.1],
    ];

    /** The coarsest series that has the value; null when none has it. */
    public static function seriesOf(float $value): ?string
    {
        $figure = $value / 10 ** floor(log10($value) + 1e-9);
        foreach (self::SERIES as $name => $figures) {
            foreach ($figures as $it) {
                if (abs($figure / $it - 1) < 1e-6) {
                    return $name;
                }
            }
        }

        return null;
    }

    /** The nearest value of a series, by ratio. */
    public static function nearest(float $value, string $series = 'E6'): float
    {
        $decade = 10 ** floor(log10($value));
        $candidates = array_map(static fn (float $it): float => $it * $decade, [...self::SERIES[$series] ?? self::SERIES['E6'], 10.0]);
        usort($candidates, static fn (float $a, float $b): int => abs(log($a / $value)) <=> abs(log($b / $value)));

        return $candidates[0];
    }
}
