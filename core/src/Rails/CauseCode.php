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
    case Exchanged = 'exchanged';
    case StandbyOnly = 'standby_only';
    case AllAbsent = 'all_absent';
    case DeadOutput = 'dead_output';
    case Unsteady = 'unsteady';
    case AllScaled = 'all_scaled';
    case SeveralWeak = 'several_weak';
    case LowWithRipple = 'low_with_ripple';
    case SagsUnderLoad = 'sags_under_load';
    case OpenPath = 'open_path';
    case DropInPath = 'drop_in_path';
    case WeakOutput = 'weak_output';
    case RippleHigh = 'ripple_high';
    case LowResistance = 'low_resistance';
}
