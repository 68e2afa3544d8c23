<?php

declare(strict_types=1);

namespace Ash\Batteries;

use Ash\Facts\Fact;

/** What was last written down of a board's battery. */
final readonly class BatteryKnown implements Fact
{
    public function __construct(public BatteryState $state)
    {
    }
}
