<?php

declare(strict_types=1);

namespace Ash\Capacitors;

/** What was done at a capacitor. */
enum ReworkStep: string
{
    case LegLifted = 'leg_lifted';
    case PadLifted = 'pad_lifted';
    case TraceRepaired = 'trace_repaired';
    case Fitted = 'fitted';
    case Refitted = 'refitted';

    public function words(): string
    {
        return match ($this) {
            self::LegLifted => 'leg lifted',
            self::PadLifted => 'pad lifted',
            self::TraceRepaired => 'trace repaired',
            self::Fitted => 'new part fitted',
            self::Refitted => 'original fitted again',
        };
    }
}
