<?php

declare(strict_types=1);

namespace Ash\Batteries;

use Ash\Quantity\Compare;

/** Chemistries of the batteries that sit on old boards. Volts a cell: typical values, from memory; the cell's sheet decides. */
enum Chemistry: string
{
    case NiCd = 'nicd';
    case NiMh = 'nimh';
    case Alkaline = 'alkaline';
    case LithiumManganese = 'limno2';
    case LithiumThionyl = 'lisocl2';
    case LeadAcid = 'lead_acid';

    public function words(): string
    {
        return match ($this) {
            self::NiCd => 'nickel-cadmium',
            self::NiMh => 'nickel-metal hydride',
            self::Alkaline => 'alkaline',
            self::LithiumManganese => 'lithium coin cell',
            self::LithiumThionyl => 'lithium thionyl chloride',
            self::LeadAcid => 'lead-acid',
        };
    }

    /** Volts a cell. */
    public function nominal(): float
    {
        return match ($this) {
            self::NiCd, self::NiMh => 1.2,
            self::Alkaline => 1.5,
            self::LithiumManganese => 3.0,
            self::LithiumThionyl => 3.6,
            self::LeadAcid => 2.0,
        };
    }

    /** What a voltage a cell, at rest, says of it. */
    public function state(float $voltsPerCell): CellState
    {
        [, $charged, $serviceable, $flat] = $this->thresholds();

        return match (true) {
            $this->isOver($voltsPerCell) => CellState::Over,
            Compare::atLeast($voltsPerCell, $charged) => CellState::Charged,
            Compare::atLeast($voltsPerCell, $serviceable) => CellState::Serviceable,
            Compare::atLeast($voltsPerCell, $flat) => CellState::Flat,
            default => CellState::Dead,
        };
    }

    /** Nickel cells are over from their limit on, the others above it. */
    private function isOver(float $volts): bool
    {
        $limit = $this->thresholds()[0];

        return $this === self::NiCd || $this === self::NiMh ? Compare::atLeast($volts, $limit) : Compare::above($volts, $limit);
    }

    /** @return array{float, float, float, float} volts a cell: over, charged, serviceable, flat */
    public function thresholds(): array
    {
        return match ($this) {
            self::NiCd, self::NiMh => [1.45, 1.25, 1.20, 1.00],
            self::Alkaline => [1.70, 1.50, 1.20, 0.90],
            self::LithiumManganese => [3.40, 3.00, 2.70, 2.50],
            self::LithiumThionyl => [3.80, 3.50, 3.30, 3.00],
            self::LeadAcid => [2.40, 2.10, 2.00, 1.75],
        };
    }
}
