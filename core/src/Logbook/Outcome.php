<?php

declare(strict_types=1);

namespace Ash\Logbook;

/** How a job ends. */
enum Outcome: string
{
    case Fixed = 'fixed';
    case FixedWithLimits = 'fixed_with_limits';
    case Parked = 'parked';
    case NotEconomic = 'not_economic';
    case ForParts = 'for_parts';

    public function words(): string
    {
        return match ($this) {
            self::Fixed => 'Fixed',
            self::FixedWithLimits => 'Fixed with limits',
            self::Parked => 'Parked',
            self::NotEconomic => 'Not economic',
            self::ForParts => 'For parts',
        };
    }
}
