<?php

declare(strict_types=1);

namespace Ash\Logbook\Entries;

/** How something was found that was taken out. */
enum ItemCondition: string
{
    case Stuck = 'stuck';
    case Broken = 'broken';
    case Missing = 'missing';
}
