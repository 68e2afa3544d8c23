<?php

declare(strict_types=1);

namespace Ash\Batteries;

/** How a clock kept its time. */
enum ClockVerdict: string
{
    case Kept = 'kept';
    case Drifting = 'drifting';
    case Fast = 'fast';
    case Slow = 'slow';
    case Stopped = 'stopped';
    case Lost = 'lost';

    public function meaning(): string
    {
        return match ($this) {
            self::Lost => 'it shows a time before it was set: it restarted from its default, the cell does not reach it',
            self::Stopped => 'it stood still while the power was off: the cell does not reach the clock',
            self::Kept => 'time is kept',
            self::Drifting => 'more than a crystal should: warmth, the trimmer, or an old crystal',
            self::Fast, self::Slow => 'suspect the oscillator, the trimmer or a dying cell',
        };
    }
}
