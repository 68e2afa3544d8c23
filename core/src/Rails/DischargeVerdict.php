<?php

declare(strict_types=1);

namespace Ash\Rails;

/** Whether a resistor may be used for it. */
enum DischargeVerdict: string
{
    case Ok = 'ok';
    case Care = 'care';
    case No = 'no';
}
