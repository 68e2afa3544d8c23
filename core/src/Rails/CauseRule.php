<?php

declare(strict_types=1);

namespace Ash\Rails;

/** One rule of the trade: when its trigger holds in the readings that count, it names a cause. */
interface CauseRule
{
    public function cause(RailsStanding $standing): ?Cause;
}
