<?php

declare(strict_types=1);

namespace App\Corrosion;

use Ash\Document\Field\Between;

/** A place on a photo, across and down from 0 to 1. */
final readonly class Tap
{
    public function __construct(
        #[Between(0, 1)]
        public float $x,
        #[Between(0, 1)]
        public float $y,
    ) {
    }
}
