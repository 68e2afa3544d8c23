<?php

declare(strict_types=1);

namespace App\Instruments;

/** What came of asking a meter. Only `Reading` carries a number; everything else is said in words. */
enum MeterState: string
{
    case Reading = 'reading';
    case Overload = 'overload';
    case Timeout = 'timeout';
    case Unreachable = 'unreachable';
    case Dropped = 'dropped';
    case WrongAnswer = 'wrong_answer';
    case Busy = 'busy';
    case DeviceError = 'device_error';

    public function words(): string
    {
        return match ($this) {
            self::Reading => 'reading taken',
            self::Overload => 'overload: beyond the meter\'s range, or open',
            self::Timeout => 'the meter does not answer',
            self::Unreachable => 'the meter cannot be reached: is it on, is the address right',
            self::Dropped => 'the line dropped before the answer was whole',
            self::WrongAnswer => 'the meter\'s answer is not a number',
            self::Busy => 'the meter is busy: try again',
            self::DeviceError => 'the meter reports an error',
        };
    }
}
