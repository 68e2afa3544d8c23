<?php

declare(strict_types=1);

namespace Ash\Rails;

/**
 * Where things stand on a tolerance strip, as shares (0 to 1) of its drawn width, weak end left for both
 * polarities. The band takes the middle 60 %; a reading further out is drawn at the edge and said to be beyond it.
 */
final readonly class Strip
{
    private const MARGIN = 0.2;

    private function __construct(
        public float $low,
        public float $high,
        public float $guard,
        public float $nominal,
        public ?float $tick,
        public bool $beyond,
        public ?float $ghost,
        public ?float $wideLow,
        public ?float $wideHigh,
    ) {
    }

    /** @param Limits|null $wide a second band to show behind the first */
    public static function of(Rail $rail, ?float $volts, ?float $guardV, ?float $ghostVolts, ?Limits $wide = null): self
    {
        $low = $rail->lowMagnitude();
        $width = $rail->highMagnitude() - $low;
        $share = static fn (float $magnitude): float => self::MARGIN + ($magnitude - $low) / $width * (1 - 2 * self::MARGIN);
        $clamp = static fn (float $share): float => max(0.0, min(1.0, $share));
        $at = static fn (?float $v): ?float => $v === null ? null : $share($rail->magnitude($v));
        $tick = $at($volts);
        $ghost = $at($ghostVolts);
        $wideEnds = $wide === null ? [null, null] : [$at($rail->nominalV > 0 ? $wide->low : $wide->high), $at($rail->nominalV > 0 ? $wide->high : $wide->low)];

        return new self(
            self::MARGIN,
            1 - self::MARGIN,
            $guardV === null ? 0.0 : min(0.5 - self::MARGIN, $guardV / $width * (1 - 2 * self::MARGIN)),
            $clamp($share(abs($rail->nominalV))),
            $tick === null ? null : $clamp($tick),
            $tick !== null && ($tick < 0 || $tick > 1),
            $ghost === null ? null : $clamp($ghost),
            $wideEnds[0] === null ? null : $clamp($wideEnds[0]),
            $wideEnds[1] === null ? null : $clamp($wideEnds[1]),
        );
    }
}
