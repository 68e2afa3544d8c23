<?php

declare(strict_types=1);

namespace Ash\Memory;

/** Whether a memory was tested before it had warmed up or after. */
enum Warmth: string
{
    case Cold = 'cold';
    case Warm = 'warm';
}
