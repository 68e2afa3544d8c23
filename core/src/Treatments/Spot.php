<?php

declare(strict_types=1);

namespace Ash\Treatments;

use Ash\Document\Field\Between;

/** A place on a picture, as shares of its width and height. */
final readonly class Spot
{
    public function __construct(#[Between(0, 1)] public float $x, #[Between(0, 1)] public float $y)
    {
    }
}
