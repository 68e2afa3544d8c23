<?php

declare(strict_types=1);

namespace Ash\Rails;

use Ash\Quantity\Strip;

/** A rail's strip: weak end left for both polarities; the band takes the middle 60 %. */
final readonly class RailStrip
{
    private const MARGIN = 0.2;

    /** @param Limits|null $wide a second band to show behind the first */
    public static function of(Rail $rail, ?float $volts, ?float $guardV, ?float $ghostVolts, ?Limits $wide = null): Strip
    {
        $low = $rail->lowMagnitude();
        $width = $rail->highMagnitude() - $low;
        $share = static fn (float $magnitude): float => self::MARGIN + ($magnitude - $low) / $width * (1 - 2 * self::MARGIN);
        $at = static fn (?float $v): ?float => $v === null ? null : $share($rail->magnitude($v));
        $tick = $at($volts);
        $ghost = $at($ghostVolts);
        $positive = $rail->nominalV > 0;
        $wideLow = $at($positive ? $wide?->low : $wide?->high);
        $wideHigh = $at($positive ? $wide?->high : $wide?->low);

        return new Strip(
            low: self::MARGIN,
            high: 1 - self::MARGIN,
            guard: $guardV === null ? 0.0 : min(0.5 - self::MARGIN, $guardV / $width * (1 - 2 * self::MARGIN)),
            nominal: Strip::clamp($share(abs($rail->nominalV))),
            tick: $tick === null ? null : Strip::clamp($tick),
            beyond: $tick !== null && ($tick < 0 || $tick > 1),
            ghost: $ghost === null ? null : Strip::clamp($ghost),
            wideLow: $wideLow === null ? null : Strip::clamp($wideLow),
            wideHigh: $wideHigh === null ? null : Strip::clamp($wideHigh),
        );
    }
}
