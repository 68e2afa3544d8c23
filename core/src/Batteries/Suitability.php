<?php

declare(strict_types=1);

namespace Ash\Batteries;

use Ash\Quantity\Compare;
use Ash\Quantity\Notation;
use Ash\Quantity\Unit;

/** One option against one board: volts, years, charge current, what it needs, and the verdict. */
final readonly class Suitability
{
    private const HOURS_A_YEAR = 8766;

    /** A supercapacitor that holds less than a week is no replacement for a cell (common practice, no source). */
    private const LEAST_HOLD_S = 7 * 86400;

    /**
     * @param list<string> $needs
     * @param list<string> $reasons
     */
    private function __construct(
        public Option $option,
        public ?float $freshV,
        public ?float $endV,
        public ?float $years,
        public ?float $holdS,
        public ?float $chargeA,
        public ?float $resistorOhm,
        public array $needs,
        public Suits $verdict,
        public array $reasons,
    ) {
    }

    public static function of(Option $option, BoardNeeds $board): self
    {
        return $option === Option::Supercap1F ? self::capacitor($option, $board) : self::cells($option, $board);
    }

    /** A cell is looked at again after half its life, and at the latest after two years (common practice, no source). */
    public function recheckYears(): float
    {
        return min(2.0, ($this->years ?? 2.0) / 2);
    }

    /** What must be in and measured before a cell that may not be charged counts as fitted on a board that charges; null where nothing must. */
    public function confirm(): ?string
    {
        $parts = array_values(array_intersect($this->needs, ['blocking_diode', 'resistor']));

        return $this->option->isNickel() || !in_array('blocking_diode', $parts, true)
            ? null
            : 'the '.strtr(implode(' and the ', $parts), '_', ' ').(count($parts) === 1 ? ' is' : ' are').' in and measured: this board charges its battery';
    }

    /** AA and AAA packs sit away from the board; a coin cell and a supercapacitor leave nothing to speak of. */
    public function leakOnBoard(): bool
    {
        return $this->option->isNickel() || $this->option === Option::LithiumHalfAa1;
    }

    /**
     * Best first: what fits at all, then nothing on the board that leaks, then the verdict, then years. So nothing that leaks on the board
     * heads a list while another fits.
     *
     * @return list<bool|float|int>
     */
    public function rank(): array
    {
        return [$this->verdict === Suits::No, $this->leakOnBoard(), $this->verdict->rank(), -($this->years ?? -1.0)];
    }

    private static function cells(Option $option, BoardNeeds $board): self
    {
        $sheet = $option->sheet();
        $mayCharge = $option->isNickel();
        $drop = $board->charges() && !$mayCharge ? $board->diodeV : 0.0;
        $fresh = $option->cells() * $sheet['fresh'] - $drop;
        $end = $option->cells() * $sheet['end'] - $drop;
        $charge = $mayCharge && $board->supplyV !== null
            ? max(0.0, ($board->supplyV - $option->cells() * $option->chemistry()->nominal()) / (float) $board->seriesOhm)
            : null;
        $overcharged = $charge !== null && Compare::above($charge, $option->chargeLimit());
        $resistor = $overcharged ? ((float) $board->supplyV - $option->cells() * $option->chemistry()->nominal()) / $option->chargeLimit() : null;
        $needs = self::needs($option, $board->charges(), $overcharged);
        $years = $charge !== null && $charge > 0 ? $sheet['shelf_years'] : self::years($sheet, $board->standbyA);
        $inside = Compare::atLeast($end, $board->minV) && Compare::atMost($fresh, $board->maxV);

        return new self(
            option: $option,
            freshV: $fresh,
            endV: $end,
            years: $years,
            holdS: null,
            chargeA: $charge,
            resistorOhm: $resistor,
            needs: $needs,
            verdict: match (true) {
                !$inside => Suits::No,
                $needs === [] => Suits::Fits,
                default => Suits::FitsWithRework,
            },
            reasons: [
                ...($option === Option::LithiumHalfAa1 ? ['old cells of this kind burst and eat what lies under them, and what comes out is toxic'] : []),
                ...self::voltReasons($fresh, $end, $board),
                ...self::yearReasons($years, $charge),
                ...self::needReasons($option, $needs, $charge, $resistor),
            ],
        );
    }

    /** @param array{capacity_ah: float, self_discharge: float, shelf_years: float} $sheet */
    private static function years(array $sheet, float $standbyA): float
    {
        return min($sheet['shelf_years'], 1 / ($standbyA * self::HOURS_A_YEAR / $sheet['capacity_ah'] + $sheet['self_discharge']));
    }

    /** @return list<string> */
    private static function needs(Option $option, bool $charges, bool $overcharged): array
    {
        $primary = $charges && !$option->isNickel();

        return array_keys(array_filter([
            'blocking_diode' => $primary,
            'resistor' => ($primary && $option->isPrimaryLithium()) || $overcharged,
            'remote_holder' => $option->isAlkaline(),
            'reversed_lead_check' => $option->isAlkaline(),
        ]));
    }

    private static function capacitor(Option $option, BoardNeeds $board): self
    {
        if ($board->supplyV === null) {
            return new self(
                option: $option,
                freshV: null,
                endV: null,
                years: null,
                holdS: null,
                chargeA: null,
                resistorOhm: null,
                needs: [],
                verdict: Suits::No,
                reasons: ['the board does not charge: a capacitor would stay empty'],
            );
        }
        $fresh = min(Option::SUPERCAP_FRESH_V, $board->supplyV);
        $end = $board->minV;
        $hold = $board->standbyA > 0 ? Hold::seconds(Option::SUPERCAP_F, $fresh, $end, $board->standbyA) : INF;
        $fits = Compare::atLeast($hold, self::LEAST_HOLD_S) && Compare::atMost($fresh, $board->maxV);
        $charge = $board->supplyV / (float) $board->seriesOhm;

        return new self(
            option: $option,
            freshV: $fresh,
            endV: $end,
            years: Option::SUPERCAP_YEARS,
            holdS: $hold,
            chargeA: $charge,
            resistorOhm: null,
            needs: [],
            verdict: $fits ? Suits::Fits : Suits::No,
            reasons: [
                ...(Compare::above($fresh, $board->maxV)
                    ? [Notation::print($fresh, Unit::Volt).' when full is above the '.Notation::print($board->maxV, Unit::Volt).' the board stands']
                    : []),
                is_finite($hold) ? 'holds '.Notation::plain($hold / 86400, 3).' days from full; a week is wanted' : 'holds as long as it keeps its own charge',
                'draws '.Notation::print($charge, Unit::Ampere, 3).' at the first moment of charging',
            ],
        );
    }

    /** @return list<string> */
    private static function voltReasons(float $fresh, float $end, BoardNeeds $board): array
    {
        $volts = Notation::print($fresh, Unit::Volt, 4).' fresh to '.Notation::print($end, Unit::Volt, 4).' at its end, the board wants '
            .Notation::print($board->minV, Unit::Volt).' to '.Notation::print($board->maxV, Unit::Volt);

        return match (true) {
            Compare::above($fresh, $board->maxV) => ["{$volts}: too much when fresh"],
            Compare::below($end, $board->minV) => ["{$volts}: the board forgets before the cell is empty"],
            default => [$volts],
        };
    }

    /** @return list<string> */
    private static function yearReasons(float $years, ?float $charge): array
    {
        return match (true) {
            $charge !== null && $charge > 0 => [
                'kept charged by the board at '.Notation::print($charge, Unit::Ampere, 3).': lives its shelf life of '
                    .Notation::plain($years, 2).' years, and leaks in the end',
            ],
            $charge !== null => ['the board wants to charge it and cannot: its supply is no higher than the pack'],
            default => ['lasts '.Notation::plain($years, 3).' years'],
        };
    }

    /**
     * @param list<string> $needs
     *
     * @return list<string>
     */
    private static function needReasons(Option $option, array $needs, ?float $charge, ?float $resistor): array
    {
        return array_map(static fn (string $need): string => match (true) {
            $need === 'blocking_diode' => 'the board would charge it, which it must never be: a blocking diode',
            $need === 'resistor' && $resistor !== null => Notation::print((float) $charge, Unit::Ampere, 3)
                .' of charge is above its limit of '.Notation::print($option->chargeLimit(), Unit::Ampere, 3).': '
                .Notation::print($resistor, Unit::Ohm, 3).' in all',
            $need === 'resistor' => 'a diode can fail short: a resistor behind it (UL practice)',
            $need === 'remote_holder' => 'these cells leak in the end: a holder away from the board',
            default => 'leads can be swapped: check polarity at the board before power',
        }, $needs);
    }
}
