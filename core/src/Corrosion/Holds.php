<?php

declare(strict_types=1);

namespace Ash\Corrosion;

/** What sits at a place that a leak has touched. */
enum Holds: string
{
    case Component = 'component';
    case Trace = 'trace';
    case Socket = 'socket';
    case Slot = 'slot';
    case Bracket = 'bracket';
    case BoardBelow = 'board_below';
}
