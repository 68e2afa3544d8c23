<?php

declare(strict_types=1);

namespace Ash\Treatments;

/** What a round place of a picture looks like: averaged in linear light, channels of sRGB from 0 to 255. */
final readonly class Disc
{
    /** A channel at its end says nothing of what was there. */
    private const CLIPPED = 254;

    /** Share of a disc that may be clipped. */
    private const SPECKS = 0.02;

    /** A mean channel below this is noise. */
    private const BLACK = 12.0;

    private function __construct(public float $r, public float $g, public float $b, private float $clipped)
    {
    }

    /** @param non-empty-list<array{int, int, int}> $pixels */
    public static function of(array $pixels): self
    {
        $light = array_map(static fn (int $it): float => Colour::toLinear($it), range(0, 255));
        $sum = [0.0, 0.0, 0.0];
        $clipped = 0;
        foreach ($pixels as $pixel) {
            foreach ($pixel as $i => $channel) {
                $sum[$i] += $light[$channel];
            }
            $clipped += max($pixel) >= self::CLIPPED ? 1 : 0;
        }
        [$r, $g, $b] = array_map(static fn (float $it): float => self::channel($it / count($pixels)), $sum);

        return new self($r, $g, $b, $clipped / count($pixels));
    }

    /** IEC 61966-2-1, the other way round. */
    private static function channel(float $light): float
    {
        return 255 * ($light <= 0.04045 / 12.92 ? 12.92 * $light : 1.055 * $light ** (1 / 2.4) - 0.055);
    }

    /** Why nothing can be read from it; null when something can. */
    public function refused(bool $grey): ?string
    {
        return match (true) {
            $this->clipped > self::SPECKS => 'is clipped: so bright that nothing is left to read. Take the picture again with less light on it',
            min($this->r, $this->g, $this->b) < self::BLACK && $grey => 'is black: a grey card that shows no light balances nothing. Take the picture again',
            default => null,
        };
    }

    public function document(): string
    {
        return sprintf('{"r": %.6F, "g": %.6F, "b": %.6F}', min(255, $this->r), min(255, $this->g), min(255, $this->b));
    }
}
