<?php

declare(strict_types=1);

namespace Ash\Treatments;

use Ash\Document\Node;
use Ash\Facts\Substance;
use Ash\Quantity\Notation;

/** How much of what goes into the vessel at hand, and what its bath does, by the steps of a plan. */
final readonly class Amounts
{
    /** Washing soda as crystals is 37 % carbonate (treatments handbook). */
    private const CRYSTALS = 0.37;

    /** Vinegar is 5 % acid by mass; peroxide up to 12 % is sold to everybody. Common practice, no source. */
    private const WANTED = [Dilutable::AceticAcid->value => 5.0, Dilutable::HydrogenPeroxide->value => Dilution::RESTRICTED];

    /** A litre of it is taken for a kilogram. */
    private const G_PER_LITRE = 1000.0;

    /** @return array<int, list<string>> in words, by the number of the step, from 1 */
    public static function of(TreatmentChosen $chosen): array
    {
        $vessel = $chosen->vessel;
        $steps = $vessel === null ? [] : MeansTable::named($chosen->means)->steps ?? [];
        $amounts = [];
        $poured = false;
        foreach ($steps as $i => $step) {
            $bath = $chosen->means === MeansTable::WITH_CURRENT;
            $dilutable = array_values(array_filter(array_map(static fn (Substance $it): ?Dilutable => Dilutable::tryFrom($it->value), $step->with)))[0] ?? null;
            if ($bath && !$poured && in_array(Substance::SodiumCarbonate, $step->with, true)) {
                $amounts[$i + 1] = [self::soda($vessel)];
                $poured = true;
            } elseif ($bath && !$step->hands) {
                $amounts[$i + 1] = self::run(self::electrolysis($chosen, $step->minutes), $step->minutes);
            } elseif (!$bath && !$poured && $dilutable !== null && isset(self::WANTED[$dilutable->value])) {
                $amounts[$i + 1] = self::poured($vessel, $dilutable, self::WANTED[$dilutable->value]);
                $poured = true;
            }
        }

        return array_filter($amounts);
    }

    private static function soda(Vessel $it): string
    {
        $grams = $it->litres * Electrolysis::GRAMS_PER_LITRE;

        return self::figure($grams).' g of washing soda without water, or '.self::figure($grams / self::CRYSTALS).' g of its crystals, in '
            .self::figure($it->litres).' l';
    }

    /** @return list<string> */
    private static function poured(Vessel $it, Dilutable $substance, float $wanted): array
    {
        if ($it->stockPct === null || $it->stockPct < $wanted) {
            return [self::figure($it->litres).' l as it comes out of the bottle'];
        }

        return Dilution::read(Node::of((object) [
            'substance' => $substance->value, 'stock_pct' => $it->stockPct, 'want_pct' => $wanted, 'total_g' => $it->litres * self::G_PER_LITRE,
        ]))->reasons;
    }

    /** What the bath of a plan does in its time; null where nobody said how strong the supply is. */
    public static function electrolysis(TreatmentChosen $chosen, float $minutes): ?Electrolysis
    {
        $it = $chosen->vessel;
        if ($it === null || $it->volts === null || $it->amps === null || $minutes <= 0.0) {
            return null;
        }

        return Electrolysis::read(Node::of((object) ([
            'part' => (object) ['metal' => Metal::Steel->value, 'paint_to_keep' => in_array(PartFlag::PaintToKeep, $chosen->flags, true)],
            'anode' => Anode::Carbon->value, 'electrolyte' => Electrolyte::SodiumCarbonate->value, 'grams_per_litre' => Electrolysis::GRAMS_PER_LITRE,
            'volts' => $it->volts, 'amps' => $it->amps, 'minutes' => $minutes, 'bath_l' => $it->litres,
        ] + ($it->airM3H === null ? [] : ['ventilation_m3_h' => $it->airM3H]))));
    }

    /** @return list<string> */
    private static function run(?Electrolysis $it, float $minutes): array
    {
        return $it === null ? [] : [
            'in '.self::figure($minutes).' min the bath warms to '.self::figure($it->endC).' C at most, and '.self::figure($it->hydrogenL)
                .' l of hydrogen rise',
            ...$it->reasons,
        ];
    }

    private static function figure(float $it): string
    {
        return Notation::plain($it, 3);
    }
}
