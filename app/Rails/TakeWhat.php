<?php

declare(strict_types=1);

namespace App\Rails;

/** What a press asks the meter for. */
enum TakeWhat: string
{
    case Volts = 'volts';
    case Ohms = 'ohms';
}
