<?php

declare(strict_types=1);

namespace Ash\Capacitors;

/** Classes of mains suppression capacitors (IEC 60384-14): X across the line, Y from the line to the case. */
enum SafetyClass: string
{
    case X1 = 'X1';
    case X2 = 'X2';
    case Y1 = 'Y1';
    case Y2 = 'Y2';

    /** Y may stand for X, never X for Y; 1 for 2, never 2 for 1. */
    public function mayStandFor(self $other): bool
    {
        return ($this->value[0] === 'Y' || $other->value[0] === 'X') && $this->value[1] <= $other->value[1];
    }
}
