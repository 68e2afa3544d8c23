<?php

declare(strict_types=1);

namespace Ash\Logbook;

/** Short words of care, shown where they apply. They defer to local codes and licensed practice. */
enum Caution: string
{
    case Mains = 'mains';
    case StoredCharge = 'stored_charge';
    case PictureTube = 'picture_tube';
    case Static = 'static';
    case Chemicals = 'chemicals';
    case Solder = 'solder';
    case OldSupply = 'old_supply';

    public function words(): string
    {
        return match ($this) {
            self::Mains => 'Mains: unplug before opening. Mains work is for trained people; local electrical codes and licensed practice come first.',
            self::StoredCharge => 'Stored charge: line capacitors stay charged. Discharge through a resistor, then measure.',
            self::PictureTube => 'Picture tube: it holds a charge for days. Only for people trained for it.',
            self::Static => 'Static: wrist strap, or touch bare earthed metal first.',
            self::Chemicals => 'Chemicals: gloves, eyes, air. Never mix acid with bleach, or peroxide with solvents or vinegar.',
            self::Solder => 'Solder: lead and flux fumes. Wash hands.',
            self::OldSupply => 'Old supplies fail late: never leave one running alone on its first day.',
        };
    }
}
