<?php

declare(strict_types=1);

namespace Ash\Facts;

/** At which of the board's marks a part's stripe sits. */
enum Polarity: string
{
    case Plus = 'plus';
    case Minus = 'minus';
}
