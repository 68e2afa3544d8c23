<?php

declare(strict_types=1);

namespace Ash\Corrosion;

use Ash\Quantity\Notation;

/**
 * How far two places lie apart on a photo in which one length is known: the lengths in the picture go as those on the board, as long as the
 * camera looked straight at it (plane geometry: similar figures).
 */
final readonly class PhotoDistance
{
    /** Pixels that a tap may miss its place by (common practice, no source). */
    public const TAP_PX = 4.0;

    /** A known length shorter than this says nothing. */
    public const SHORTEST_PX = 40.0;

    private function __construct(public float $mm, public float $plusMinusMm)
    {
    }

    /**
     * @param float $knownPx two ends of the known length, in pixels of the picture
     * @param float $knownMm above 0
     * @param float $px      between the two places
     *
     * @return ?self null when the known length is too short in the picture to measure by
     */
    public static function of(float $knownPx, float $knownMm, float $px): ?self
    {
        if ($knownPx < self::SHORTEST_PX) {
            return null;
        }
        $mm = $px * $knownMm / $knownPx;
        // Both ends of both lengths are tapped: their errors add in squares.
        $tap = self::TAP_PX * M_SQRT2;

        return new self($mm, hypot($tap * $knownMm / $knownPx, $mm * $tap / $knownPx));
    }

    public function words(): string
    {
        return Notation::plain($this->mm, 3).' mm, give or take '.Notation::plain($this->plusMinusMm, 2)
            .' mm for the taps, if the camera looked straight at the board';
    }
}
