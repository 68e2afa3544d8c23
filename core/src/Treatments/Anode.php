<?php

declare(strict_types=1);

namespace Ash\Treatments;

/** What hangs at plus. */
enum Anode: string
{
    case Carbon = 'carbon';
    case MildSteel = 'mild_steel';
    case Stainless = 'stainless';
}
