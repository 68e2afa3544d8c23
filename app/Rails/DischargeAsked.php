<?php

declare(strict_types=1);

namespace App\Rails;

use Ash\Quantity\Typed;
use Ash\Quantity\Unit;

/** A capacitor that somebody wants to discharge, as it is typed. */
final readonly class DischargeAsked
{
    public function __construct(
        #[Typed(Unit::Farad, aboveZero: true)]
        public float $capacitance,
        #[Typed(Unit::Volt)]
        public float $start,
        #[Typed(Unit::Ohm, aboveZero: true)]
        public float $resistor,
        #[Typed(Unit::Volt, aboveZero: true)]
        public ?float $rated = null,
    ) {
    }
}
