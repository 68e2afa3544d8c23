<?php

declare(strict_types=1);

namespace Ash\Treatments;

/** What makes the bath carry current. */
enum Electrolyte: string
{
    case SodiumCarbonate = 'sodium_carbonate';
    case SodiumHydroxide = 'sodium_hydroxide';
    case SodiumChloride = 'sodium_chloride';
    case None = 'none';
}
