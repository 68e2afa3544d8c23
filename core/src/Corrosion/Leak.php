<?php

declare(strict_types=1);

namespace Ash\Corrosion;

use Ash\Batteries\Chemistry;
use Ash\Facts\Substance;

/**
 * What a leak left behind and what undoes it. Alkaline cells leave potassium hydroxide and its carbonate, a base, which a weak
 * acid neutralises; lead-acid leaves sulphuric acid, which a weak base neutralises (general chemistry: neutralisation).
 */
final readonly class Leak
{
    /**
     * @return list<Substance> what neutralises it: one of these is taken
     */
    public static function agents(Chemistry $chemistry): array
    {
        return match ($chemistry) {
            Chemistry::NiCd, Chemistry::NiMh, Chemistry::Alkaline => [Substance::AceticAcid, Substance::CitricAcid],
            Chemistry::LeadAcid => [Substance::SodiumBicarbonate],
            Chemistry::LithiumManganese, Chemistry::LithiumThionyl => [],
        };
    }

    /** @return array{left: string, neutralise: ?string, amount: string, then: string, why: string} */
    public static function of(Chemistry $chemistry): array
    {
        return match ($chemistry) {
            Chemistry::NiCd, Chemistry::NiMh, Chemistry::Alkaline => [
                'left' => 'potassium hydroxide and its carbonate: blue-green and white',
                'neutralise' => 'white vinegar',
                'amount' => 'white vinegar of 5 %, or 5 g citric acid in 100 ml of water, on a swab until fizzing stops',
                'then' => 'water, then isopropyl alcohol of 90 % or more',
                'why' => 'alcohol alone dissolves no hydroxide: the creep goes on under the solder mask',
            ],
            Chemistry::LeadAcid => [
                'left' => 'sulphuric acid',
                'neutralise' => 'sodium bicarbonate',
                'amount' => '10 g sodium bicarbonate in 100 ml of water, on a swab until fizzing stops',
                'then' => 'water, then isopropyl alcohol of 90 % or more',
                'why' => 'acid left under a part eats on',
            ],
            Chemistry::LithiumManganese => [
                'left' => 'solvent and salt, rarely', 'neutralise' => null, 'amount' => '', 'then' => 'a wipe with isopropyl alcohol',
                'why' => 'there is nothing to neutralise',
            ],
            Chemistry::LithiumThionyl => [
                'left' => 'matter that reacts with water to acids and gas', 'neutralise' => null, 'amount' => '',
                'then' => 'a dry wipe with gloves, into special waste',
                'why' => 'no water: leave the room, ventilate, come back when it is clear',
            ],
        };
    }
}
