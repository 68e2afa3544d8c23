<?php

declare(strict_types=1);

namespace Ash\Treatments;

use Ash\Document\Field\Number;

/** The colour of a place beside the reference patch of the same picture. */
final readonly class SpotColour
{
    /**
     * @param ?float $yellowness ASTM E313; null for black
     * @param float  $delta      CIEDE2000 from the reference
     */
    public function __construct(
        #[Number] public float $l,
        #[Number] public float $a,
        #[Number] public float $b,
        #[Number] public ?float $yellowness,
        #[Number] public float $delta,
    ) {
    }
}
