<?php

declare(strict_types=1);

namespace Ash\Treatments;

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
}
