<?php

declare(strict_types=1);

namespace Ash\Capacitors;

/** Whether a part of the shelf may stand for an original. */
enum ChoiceVerdict: string
{
    case Fits = 'fits';
    case FitsWithCare = 'fits_with_care';
    case No = 'no';

    public function words(): string
    {
        return match ($this) {
            self::Fits => 'fits',
            self::FitsWithCare => 'fits with care',
            self::No => 'does not fit',
        };
    }
}
