<?php

declare(strict_types=1);

namespace Ash\Treatments;

/** Whether to do it. */
enum ElectrolysisVerdict: string
{
    case Go = 'go';
    case Care = 'care';
    case No = 'no';
}
