<?php

declare(strict_types=1);

namespace Ash\Rails;

/** A load against its rating. */
enum BudgetVerdict: string
{
    case UnderMinimum = 'under_minimum';
    case Ok = 'ok';
    case Tight = 'tight';
    case Over = 'over';
}
