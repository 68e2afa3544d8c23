<?php

declare(strict_types=1);

namespace Ash\Logbook;

/** What is looked at with the power off, before the first power-on (common practice, no source). */
enum ColdCheck: string
{
    case Shorts = 'shorts';
    case Polarity = 'polarity';
    case Jumpers = 'jumpers';
    case Seats = 'seats';
    case Fixings = 'fixings';

    public function words(): string
    {
        return match ($this) {
            self::Shorts => 'no rail shorted to ground',
            self::Polarity => 'every electrolytic and battery the right way round',
            self::Jumpers => 'size and type jumpers, plugs the right way round',
            self::Seats => 'chips and cards seated, no pin bent',
            self::Fixings => 'nothing loose in the case',
        };
    }
}
