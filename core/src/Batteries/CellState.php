<?php

declare(strict_types=1);

namespace Ash\Batteries;

enum CellState: string
{
    case Over = 'over';
    case Charged = 'charged';
    case Serviceable = 'serviceable';
    case Flat = 'flat';
    case Dead = 'dead';
}
