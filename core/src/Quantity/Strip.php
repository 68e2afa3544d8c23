<?php

declare(strict_types=1);

namespace Ash\Quantity;

/**
 * Where things stand on a tolerance strip, as shares (0 to 1) of its drawn width. A reading further out is drawn at the edge and said to
 * be beyond it. What the width stands for is each room's to say.
 */
final readonly class Strip
{
    /**
     * @param float  $low     where the band begins
     * @param float  $high    where it ends
     * @param float  $guard   width of the zone at each end of the band that is inside and close
     * @param ?float $tick    the reading
     * @param ?float $ghost   the reading before it
     * @param ?float $wideLow a second band behind the first
     */
    public function __construct(
        public float $low,
        public float $high,
        public float $guard,
        public float $nominal,
        public ?float $tick = null,
        public bool $beyond = false,
        public ?float $ghost = null,
        public ?float $wideLow = null,
        public ?float $wideHigh = null,
    ) {
    }

    public static function clamp(float $share): float
    {
        return max(0.0, min(1.0, $share));
    }
}
