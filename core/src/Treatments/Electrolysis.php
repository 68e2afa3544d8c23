<?php

declare(strict_types=1);

namespace Ash\Treatments;

use Ash\Document\Node;
use Ash\Quantity\Compare;
use Ash\Quantity\Notation;

/** Rust taken off with a current: whether to, how much hydrogen it makes, how much fresh air it wants, how warm the bath gets. */
final readonly class Electrolysis
{
    /** C/mol (CODATA, as the handbook rounds it) */
    private const FARADAY = 96_485.0;

    /** l/mol of a gas at 20 C */
    private const MOLAR_L = 24.06;

    /** Share of hydrogen that fresh air keeps it below: a quarter of the lower explosive limit, 4 % by volume (IEC 60079-20-1). */
    private const SHARE = 0.01;

    /** J that warm a litre of water by 1 C */
    private const WARMS = 4186.0;
    private const STOP_C = 60.0;

    /** Of soda, where nobody says otherwise (treatments handbook: 5 to 10). */
    public const GRAMS_PER_LITRE = 7.0;
    private const DAY_MINUTES = 1440.0;

    /** Volts d.c. above which nobody's wet hands belong near a bath (IEC 60364-7-701, zone 0); care above half of it. */
    private const NO_V = 30.0;
    private const CARE_V = 15.0;

    /** @param list<string> $reasons */
    private function __construct(
        public ElectrolysisVerdict $verdict,
        public float $chargeAh,
        public float $hydrogenL,
        public float $hydrogenLPerH,
        public float $airM3H,
        public float $endC,
        public ?float $minutesTo60c,
        public array $reasons,
    ) {
    }

    public static function read(Node $node): self
    {
        $node->only('part', 'anode', 'electrolyte', 'grams_per_litre', 'volts', 'amps', 'minutes', 'bath_l', 'start_c', 'ventilation_m3_h');
        $part = $node->at('part')->only('metal', 'plated', 'paint_to_keep', 'spring', 'cavities');
        $flag = static fn (string $name): bool => $part->optional($name)?->bool() ?? false;
        $metal = $part->at('metal')->enum(Metal::class);
        $anode = $node->at('anode')->enum(Anode::class);
        $electrolyte = $node->at('electrolyte')->enum(Electrolyte::class);
        $grams = $node->optional('grams_per_litre')?->positive() ?? self::GRAMS_PER_LITRE;
        [$volts, $amps, $minutes, $litres] = array_map(static fn (string $it): float => $node->at($it)->positive(), ['volts', 'amps', 'minutes', 'bath_l']);
        $start = $node->optional('start_c')?->between(0, self::STOP_C) ?? 20.0;
        $air = $node->optional('ventilation_m3_h')?->notNegative();

        $hourly = $amps * 3600 / (2 * self::FARADAY) * self::MOLAR_L;
        $wanted = $hourly / self::SHARE / 1000;
        $end = $start + $volts * $amps * $minutes * 60 / ($litres * self::WARMS);
        $warm = (self::STOP_C - $start) * $litres * self::WARMS / ($volts * $amps * 60);
        $figure = static fn (float $it): string => Notation::plain($it, 3);
        $no = array_keys(array_filter([
            'a stainless anode gives chromates: carbon or mild steel, bare, never galvanised' => $anode === Anode::Stainless,
            'salt gives chlorine: washing soda instead' => $electrolyte === Electrolyte::SodiumChloride,
            "only steel and iron stand it, not {$metal->value}" => $metal !== Metal::Steel && $metal !== Metal::Iron,
            'the plating would come off with the rust' => $flag('plated'),
            'hydrogen makes a hardened spring brittle: it may break later' => $flag('spring'),
            'without an electrolyte hardly any current flows' => $electrolyte === Electrolyte::None,
            "{$figure($volts)} V: above 30 V nobody's wet hands belong near a bath" => Compare::above($volts, self::NO_V),
            "fresh air of {$figure((float) $air)} m3/h is below a quarter of the {$figure($wanted)} wanted: hydrogen can reach its lower "
                .'explosive limit' => $air !== null
                && Compare::below($air, $wanted / 4),
        ]));
        $care = array_keys(array_filter([
            'paint comes off with it' => $flag('paint_to_keep'),
            'hydrogen collects in hollows, and the current does not reach into them' => $flag('cavities'),
            'lye burns skin and eyes: washing soda does as well' => $electrolyte === Electrolyte::SodiumHydroxide,
            'a mild steel anode is eaten: clean it or change it' => $anode === Anode::MildSteel,
            "{$figure($grams)} g/l: 5 to 10 is usual" => $electrolyte !== Electrolyte::None && (Compare::below($grams, 5.0) || Compare::above($grams, 10.0)),
            "the bath may get as warm as {$figure($end)} C: stop at 60" => Compare::above($end, self::STOP_C),
            "{$figure($volts)} V: dry hands, and the supply off before anything is touched" => Compare::above($volts, self::CARE_V)
                && !Compare::above($volts, self::NO_V),
            "fresh air of {$figure((float) $air)} m3/h is below the {$figure($wanted)} wanted" => $air !== null
                && Compare::below($air, $wanted)
                && !Compare::below($air, $wanted / 4),
        ]));
        $verdict = $no !== [] ? ElectrolysisVerdict::No : ($care !== [] ? ElectrolysisVerdict::Care : ElectrolysisVerdict::Go);

        return new self(
            verdict: $verdict,
            chargeAh: $amps * $minutes / 60,
            hydrogenL: $amps * $minutes / 60 * 3600 / (2 * self::FARADAY) * self::MOLAR_L,
            hydrogenLPerH: $hourly,
            airM3H: $wanted,
            endC: min(100.0, $end),
            minutesTo60c: Compare::above($warm, self::DAY_MINUTES) ? null : $warm,
            reasons: [
                ...$no,
                ...$care,
                "{$figure($hourly)} l of hydrogen an hour want {$figure($wanted)} m3 of fresh air an hour; the supply off before a clip is "
                    .'touched: a spark lights it',
            ],
        );
    }
}
