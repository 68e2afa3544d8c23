<?php

declare(strict_types=1);

namespace Ash\Capacitors;

use Ash\Document\Field\Positive;

/** The limits that a part was judged by. */
final readonly class PartLimits
{
    public function __construct(
        #[Positive]
        public float $capacitanceLowF,
        #[Positive]
        public float $capacitanceHighF,
        #[Positive]
        public ?float $esrMaxOhm,
        #[Positive]
        public ?float $tanDeltaMax,
        #[Positive]
        public ?float $leakageMaxA,
    ) {
    }

    public static function of(Part $part, Measured $measured = new Measured()): self
    {
        return new self($part->lowF, $part->highF, $part->esrLimit($measured), $part->tanDeltaMax, $part->leakageMaxA);
    }
}
