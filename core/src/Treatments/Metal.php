<?php

declare(strict_types=1);

namespace Ash\Treatments;

/** What a part in a bath is made of. */
enum Metal: string
{
    case Steel = 'steel';
    case Iron = 'iron';
    case Stainless = 'stainless';
    case Aluminium = 'aluminium';
    case Zinc = 'zinc';
    case Copper = 'copper';
    case Brass = 'brass';
}
