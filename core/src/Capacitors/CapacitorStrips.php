<?php

declare(strict_types=1);

namespace Ash\Capacitors;

use Ash\Quantity\Compare;
use Ash\Quantity\Strip;

/** A capacitor's readings on strips. */
final readonly class CapacitorStrips
{
    /** Times its limit at which an ESR stands at the edge. */
    private const ESR_EDGE = 3.0;

    /** Capacitance from nothing to twice what is marked. */
    public static function capacitance(?Part $part, ?float $farad): Strip
    {
        if ($part === null) {
            return new Strip(0, 0, 0, 0);
        }
        $share = static fn (float $it): float => Strip::clamp($it / $part->markedF / 2);

        return new Strip(
            low: $share($part->lowF),
            high: $share($part->highF),
            guard: (1 - Judged::NEAR) * min($part->minusPct, $part->plusPct) / 200,
            nominal: $share($part->markedF),
            tick: $farad === null ? null : $share($farad),
            beyond: $farad !== null && Compare::above($farad, 2 * $part->markedF),
        );
    }

    /** ESR from nothing to three times its limit. */
    public static function esr(?Part $part, ?float $ohm, ?float $hertz = null): ?Strip
    {
        $limit = $part?->esrLimit(new Measured(esrOhm: $ohm, frequencyHz: $hertz));
        if ($limit === null || $ohm === null || !$part->kind->losesMatter()) {
            return null;
        }
        $share = static fn (float $it): float => min(1.0, $it / $limit / self::ESR_EDGE);

        return new Strip(
            low: 0,
            high: $share($limit),
            guard: 0,
            nominal: $share($limit / 2),
            tick: $share($ohm),
            beyond: Compare::above($ohm, self::ESR_EDGE * $limit),
        );
    }
}
