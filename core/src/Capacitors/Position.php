<?php

declare(strict_types=1);

namespace Ash\Capacitors;

/** What a capacitor does where it sits. */
enum Position: string
{
    case Filter = 'filter';
    case Coupling = 'coupling';
    case Timing = 'timing';
    case Mains = 'mains';
}
