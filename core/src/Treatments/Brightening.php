<?php

declare(strict_types=1);

namespace Ash\Treatments;

use Ash\Quantity\Notation;

/**
 * When a part will match: the difference is taken to shrink by the same share in each hour, and a line is laid through its logarithm by
 * least squares. The interval is that of the mean at the end, by Student's t (table of 97.5 %, from memory).
 */
final readonly class Brightening
{
    private const T = [1 => 12.706, 4.303, 3.182, 2.776, 2.571, 2.447, 2.365, 2.306, 2.262, 2.228];
    private const T_MANY = 1.96;

    /** Places of the curve. */
    private const PLACES = 25;
    private const BEYOND = 1.1;

    /**
     * @param ?float                                    $hours   until it matches
     * @param ?array{float, float}                      $between hours, 95 %
     * @param list<array{float, float, ?float, ?float}> $curve   hours, the difference that is expected, and its 95 % interval where there is one
     */
    private function __construct(public ?float $hours, public ?array $between, public string $says, public array $curve = [])
    {
    }

    /** @param list<array{float, float}> $read hours and difference, in time order */
    public static function of(array $read): self
    {
        $read = array_values(array_filter($read, static fn (array $it): bool => $it[1] > 0.0));
        $n = count($read);
        $hours = array_map(static fn (array $it): float => $it[0], $read);
        if ($n < 2 || max($hours) - min($hours) <= 0.0) {
            return new self(null, null, 'two readings some hours apart say when it may match');
        }
        $logs = array_map(static fn (array $it): float => log($it[1]), $read);
        [$mx, $my] = [array_sum($hours) / $n, array_sum($logs) / $n];
        $sxx = $sxy = 0.0;
        foreach ($hours as $i => $x) {
            $sxx += ($x - $mx) ** 2;
            $sxy += ($x - $mx) * ($logs[$i] - $my);
        }
        $slope = $sxy / $sxx;
        if ($slope >= 0.0) {
            return new self(null, null, 'it does not come nearer: look at the light, the warmth and the peroxide, or stop');
        }
        $end = $mx + (log(ColourCompared::TOLERANCE) - $my) / $slope;
        $figure = static fn (float $it): string => Notation::plain($it, 2);
        $rest = 0.0;
        foreach ($hours as $i => $x) {
            $rest += ($logs[$i] - $my - $slope * ($x - $mx)) ** 2;
        }
        $half = static fn (float $x): ?float => $n === 2 ? null
            : (self::T[$n - 2] ?? self::T_MANY) * sqrt($rest / ($n - 2) * (1 / $n + ($x - $mx) ** 2 / $sxx));
        $curve = [];
        for ($i = 0; $i < self::PLACES; ++$i) {
            $x = max($end, max($hours)) * self::BEYOND * $i / (self::PLACES - 1);
            $log = $my + $slope * ($x - $mx);
            $wide = $half($x);
            $curve[] = [$x, exp($log), $wide === null ? null : exp($log - $wide), $wide === null ? null : exp($log + $wide)];
        }
        if ($n === 2) {
            return new self($end, null, "it may match after {$figure($end)} h; two readings do not say how sure that is", $curve);
        }
        $wide = $half($end) / abs($slope);

        return new self(
            $end,
            [max(0.0, $end - $wide), $end + $wide],
            "it may match after {$figure($end)} h (95 % interval {$figure(max(0.0, $end - $wide))} to {$figure($end + $wide)} h)",
            $curve,
        );
    }
}
