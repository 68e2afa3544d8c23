<?php

declare(strict_types=1);

namespace Ash\Treatments;

/** A step of the hands in a plan. */
final readonly class HandsStep
{
    /**
     * @param float   $start   minutes from now
     * @param ?string $because why it is not earlier; null when nothing but other work is before it
     */
    public function __construct(public HandsNow $step, public float $start, public float $minutes, public ?string $because)
    {
    }
}
