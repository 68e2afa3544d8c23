<?php

declare(strict_types=1);

namespace Ash\Rails;

use Ash\Document\Field\Number;

/** Two ends of a band in volts, as they are kept with a reading. */
final readonly class LimitsKept
{
    public function __construct(#[Number] public float $low, #[Number] public float $high)
    {
    }
}
