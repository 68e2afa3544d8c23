<?php

declare(strict_types=1);

namespace Ash\Corrosion;

/** What forbids a bath of the whole board (common practice, no source). */
enum ForbidsWater: string
{
    case Relays = 'relays';
    case Speakers = 'speakers';
    case Transformers = 'transformers';
    case UnsealedSwitches = 'unsealed_switches';
    case LabelsToKeep = 'labels_to_keep';
    case BatteryFitted = 'battery_fitted';
}
