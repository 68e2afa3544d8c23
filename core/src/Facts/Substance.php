<?php

declare(strict_types=1);

namespace Ash\Facts;

/** What stands about on a bench and may meet; metals as what it touches. */
enum Substance: string
{
    case AceticAcid = 'acetic_acid';
    case CitricAcid = 'citric_acid';
    case PhosphoricAcid = 'phosphoric_acid';
    case ChlorineBleach = 'chlorine_bleach';
    case Ammonia = 'ammonia';
    case HydrogenPeroxide = 'hydrogen_peroxide';
    case IsopropylAlcohol = 'isopropyl_alcohol';
    case Acetone = 'acetone';
    case SodiumHydroxide = 'sodium_hydroxide';
    case SodiumCarbonate = 'sodium_carbonate';
    case SodiumBicarbonate = 'sodium_bicarbonate';
    case Water = 'water';
    case Detergent = 'detergent';
    case ContactCleaner = 'contact_cleaner';
    case LightOil = 'light_oil';
    case Aluminium = 'aluminium';
    case Zinc = 'zinc';
    case Steel = 'steel';
    case Copper = 'copper';

    public function words(): string
    {
        return match ($this) {
            self::AceticAcid => 'vinegar (acetic acid)',
            self::PhosphoricAcid => 'rust remover (phosphoric acid)',
            self::SodiumCarbonate => 'washing soda (sodium carbonate)',
            default => strtr($this->value, '_', ' '),
        };
    }
}
