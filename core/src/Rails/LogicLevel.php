<?php

declare(strict_types=1);

namespace Ash\Rails;

enum LogicLevel: string
{
    case Low = 'low';
    case Undefined = 'undefined';
    case High = 'high';
    case AboveSupply = 'above_supply';
    case Toggling = 'toggling';

    public function words(): string
    {
        return match ($this) {
            self::AboveSupply => 'above the supply',
            default => $this->value,
        };
    }
}
