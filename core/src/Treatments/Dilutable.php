<?php

declare(strict_types=1);

namespace Ash\Treatments;

/** What is diluted at a bench. */
enum Dilutable: string
{
    case HydrogenPeroxide = 'hydrogen_peroxide';
    case CitricAcid = 'citric_acid';
    case AceticAcid = 'acetic_acid';
    case IsopropylAlcohol = 'isopropyl_alcohol';
    case SodiumCarbonate = 'sodium_carbonate';
    case SodiumBicarbonate = 'sodium_bicarbonate';

    /** Percent by mass that water of 20 C holds (handbook; from memory). */
    public function holdsPct(): float
    {
        return match ($this) {
            self::CitricAcid => 59.0,
            self::SodiumCarbonate => 17.5,
            self::SodiumBicarbonate => 8.7,
            default => 100.0,
        };
    }

    /** @return list<string> */
    public function notes(): array
    {
        return match ($this) {
            self::CitricAcid, self::AceticAcid => ['acid into water, never water into acid'],
            self::HydrogenPeroxide => ['gloves and goggles; never in a bottle that is shut tight: it gives off oxygen'],
            self::IsopropylAlcohol => ['bottles say percent by volume: 70 % of it is 63 % by mass; no flame near it'],
            self::SodiumCarbonate => ['crystals of washing soda are only 37 % carbonate'],
            self::SodiumBicarbonate => [],
        };
    }
}
