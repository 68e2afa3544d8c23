<?php

declare(strict_types=1);

namespace Ash\Batteries;

/** Whether an option suits a board, best first. */
enum Suits: string
{
    case Fits = 'fits';
    case FitsWithRework = 'fits_with_rework';
    case No = 'no';

    public function words(): string
    {
        return match ($this) {
            self::Fits => 'fits',
            self::FitsWithRework => 'fits with rework',
            self::No => 'does not fit',
        };
    }

    public function rank(): int
    {
        return (int) array_search($this, self::cases(), true);
    }
}
