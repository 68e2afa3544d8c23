<?php

declare(strict_types=1);

namespace Ash\Facts;

use Ash\Document\Field\NotNegative;
use Ash\Document\Field\Positive;

/** A capacitor that was fitted in place of another, as far as it is judged by figures of its own. */
final readonly class FittedPart
{
    public function __construct(
        public CapacitorKind $kind,
        #[Positive]
        public float $markedF,
        #[Positive]
        public float $ratedV,
        #[NotNegative]
        public ?float $toleranceMinusPct = null,
        #[NotNegative]
        public ?float $tolerancePlusPct = null,
    ) {
    }
}
