<?php

declare(strict_types=1);

namespace Ash\Batteries;

/**
 * A way to give a board its clock and settings back: the catalogue. Typical values, from memory; the cell's sheet decides.
 * The four schools: a rechargeable in the same place, a lithium cell with a blocking diode, AA or AAA cells in a holder
 * away from the board, a supercapacitor.
 */
enum Option: string
{
    case NicdBarrel3 = 'nicd-barrel-3';
    case NimhBarrel3 = 'nimh-barrel-3';
    case AlkalineAaa2 = 'alkaline-aaa-2';
    case AlkalineAaa3 = 'alkaline-aaa-3';
    case AlkalineAaa4 = 'alkaline-aaa-4';
    case AlkalineAa2 = 'alkaline-aa-2';
    case AlkalineAa3 = 'alkaline-aa-3';
    case AlkalineAa4 = 'alkaline-aa-4';
    case LithiumCoin1 = 'lithium-coin-1';
    case LithiumHalfAa1 = 'lithium-half-aa-1';
    case Supercap1F = 'supercap-1f';

    /** Farad; a capacitor and not a cell. */
    public const SUPERCAP_F = 1.0;
    public const SUPERCAP_FRESH_V = 5.0;
    public const SUPERCAP_YEARS = 15.0;

    public function words(): string
    {
        return match ($this) {
            self::NicdBarrel3 => '3 nickel-cadmium cells, same place',
            self::NimhBarrel3 => '3 nickel-metal hydride cells, same place',
            self::AlkalineAaa2, self::AlkalineAaa3, self::AlkalineAaa4 => "{$this->cells()} AAA alkaline in a holder off the board",
            self::AlkalineAa2, self::AlkalineAa3, self::AlkalineAa4 => "{$this->cells()} AA alkaline in a holder off the board",
            self::LithiumCoin1 => 'lithium coin cell',
            self::LithiumHalfAa1 => 'lithium thionyl cell, half AA',
            self::Supercap1F => 'supercapacitor, 1 F 5.5 V',
        };
    }

    public function school(): string
    {
        return match (true) {
            $this->isNickel() => 'rechargeable in the same place',
            $this->isAlkaline() => 'holder off the board',
            $this === self::Supercap1F => 'supercapacitor',
            default => 'lithium cell with a blocking diode',
        };
    }

    /** @throws \LogicException for the supercapacitor, which has no chemistry */
    public function chemistry(): Chemistry
    {
        return match (true) {
            $this === self::NicdBarrel3 => Chemistry::NiCd,
            $this === self::NimhBarrel3 => Chemistry::NiMh,
            $this->isAlkaline() => Chemistry::Alkaline,
            $this === self::LithiumCoin1 => Chemistry::LithiumManganese,
            $this === self::LithiumHalfAa1 => Chemistry::LithiumThionyl,
            default => throw new \LogicException('a supercapacitor has no chemistry'),
        };
    }

    public function cells(): int
    {
        return match ($this) {
            self::AlkalineAaa2, self::AlkalineAa2 => 2,
            self::NicdBarrel3, self::NimhBarrel3, self::AlkalineAaa3, self::AlkalineAa3 => 3,
            self::AlkalineAaa4, self::AlkalineAa4 => 4,
            default => 1,
        };
    }

    /** @return array{fresh: float, end: float, capacity_ah: float, self_discharge: float, shelf_years: float} volts a cell; share of capacity a year */
    public function sheet(): array
    {
        [$fresh, $end, $capacity, $selfDischarge, $shelf] = match (true) {
            $this === self::NicdBarrel3 => [1.35, 1.0, 0.06, 1.5, 8],
            $this === self::NimhBarrel3 => [1.35, 1.0, 0.08, 2.0, 8],
            in_array($this, [self::AlkalineAaa2, self::AlkalineAaa3, self::AlkalineAaa4], true) => [1.6, 0.9, 1.1, 0.03, 7],
            $this->isAlkaline() => [1.6, 0.9, 2.5, 0.03, 7],
            $this === self::LithiumCoin1 => [3.2, 2.5, 0.22, 0.01, 10],
            default => [3.65, 3.0, 1.2, 0.01, 15],
        };

        return ['fresh' => $fresh, 'end' => $end, 'capacity_ah' => $capacity, 'self_discharge' => $selfDischarge, 'shelf_years' => (float) $shelf];
    }

    public function isNickel(): bool
    {
        return $this === self::NicdBarrel3 || $this === self::NimhBarrel3;
    }

    public function isAlkaline(): bool
    {
        return str_starts_with($this->value, 'alkaline');
    }

    public function isPrimaryLithium(): bool
    {
        return $this === self::LithiumCoin1 || $this === self::LithiumHalfAa1;
    }

    /** Amperes that may flow into it for good: C/10 for nickel-cadmium, C/30 for nickel-metal hydride. */
    public function chargeLimit(): float
    {
        return $this->sheet()['capacity_ah'] / ($this === self::NicdBarrel3 ? 10 : 30);
    }
}
