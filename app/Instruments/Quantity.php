<?php

declare(strict_types=1);

namespace App\Instruments;

/** What a meter can be asked for: the measurement instructions of SCPI-99, volume 1, 3.1. */
enum Quantity: string
{
    case Volts = 'MEAS:VOLT:DC?';
    case VoltsAc = 'MEAS:VOLT:AC?';
    case Ohms = 'MEAS:RES?';
    case Farads = 'MEAS:CAP?';
    case Hertz = 'MEAS:FREQ?';
    case Amperes = 'MEAS:CURR:DC?';
}
