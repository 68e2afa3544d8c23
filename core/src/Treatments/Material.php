<?php

declare(strict_types=1);

namespace Ash\Treatments;

use Ash\Facts\Substance;

/** What a part is made of. */
enum Material: string
{
    case Steel = 'steel';
    case PlatedSteel = 'plated_steel';
    case Aluminium = 'aluminium';
    case CopperAlloy = 'copper_alloy';
    case GoldContact = 'gold_contact';
    case Abs = 'abs';
    case Polystyrene = 'polystyrene';
    case Rubber = 'rubber';
    case Board = 'board';

    public function words(): string
    {
        return $this === self::Abs ? 'ABS' : strtr($this->value, '_', ' ');
    }

    /** @return list<Substance> metals that a bath meets; plating is taken for zinc, the worst of the usual ones */
    public function meets(): array
    {
        return match ($this) {
            self::Steel => [Substance::Steel],
            self::PlatedSteel => [Substance::Steel, Substance::Zinc],
            self::Aluminium => [Substance::Aluminium],
            self::CopperAlloy => [Substance::Copper],
            default => [],
        };
    }
}
