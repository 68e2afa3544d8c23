<?php

declare(strict_types=1);

namespace Ash\Rails;

/** Likely causes of what rails show, what can do damage first. */
enum CauseCode: string
{
    case Reversed = 'reversed';
    case ShortedRail = 'shorted_rail';
    case OverVoltage = 'over_voltage';
    case BiasMissing = 'bias_missing';
    case AllAbsent = 'all_absent';
    case AllScaled = 'all_scaled';
    case LowWithRipple = 'low_with_ripple';
    case SagsUnderLoad = 'sags_under_load';
    case OpenPath = 'open_path';
    case DropInPath = 'drop_in_path';
    case RippleHigh = 'ripple_high';
}
