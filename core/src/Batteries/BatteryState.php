<?php

declare(strict_types=1);

namespace Ash\Batteries;

/** What is known of the clock or settings battery. */
enum BatteryState: string
{
    case Leaking = 'leaking';
    case Sound = 'sound';
    case Removed = 'removed';
    case Fitted = 'fitted';
    case None = 'none';
}
