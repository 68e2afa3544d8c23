<?php

declare(strict_types=1);

namespace App\Rails;

use Ash\Quantity\Typed;
use Ash\Quantity\Unit;
use Ash\Rails\LogicFamily;

/** Volts at a pin, as they are typed. */
final readonly class LevelAsked
{
    public function __construct(
        public LogicFamily $family,
        #[Typed(Unit::Volt, aboveZero: true)]
        public float $supply,
        #[Typed(Unit::Volt, signed: true)]
        public float $volts,
    ) {
    }
}
