<?php

declare(strict_types=1);

namespace App\Shelf;

use Ash\Capacitors\SafetyClass;
use Ash\Document\Field\Between;
use Ash\Document\Field\NotNegative;
use Ash\Document\Field\Number;
use Ash\Document\Field\Positive;

/** Further fields of a capacitor on the shelf. mm, C, h, ohm; null where nobody knows. */
final readonly class ShelfSpec
{
    public function __construct(
        #[Between(0, 100)]
        public ?float $toleranceMinusPct = null,
        #[NotNegative]
        public ?float $tolerancePlusPct = null,
        #[NotNegative]
        public ?float $esrOhm = null,
        #[Positive]
        public ?float $hours = null,
        #[Number]
        public ?float $temperatureC = null,
        #[Positive]
        public ?float $diameterMm = null,
        #[Positive]
        public ?float $heightMm = null,
        #[Positive]
        public ?float $pitchMm = null,
        public ?SafetyClass $safetyClass = null,
    ) {
    }
}
