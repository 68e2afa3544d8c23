<?php

declare(strict_types=1);

namespace Ash\Rails;

/** Where along a rail a reading was taken, from the source outwards. */
enum Point: string
{
    case Supply = 'supply';
    case Board = 'board';
    case Chip = 'chip';

    public function rank(): int
    {
        return array_search($this, self::cases(), true) ?: 0;
    }
}
