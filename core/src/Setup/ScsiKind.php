<?php

declare(strict_types=1);

namespace Ash\Setup;

enum ScsiKind: string
{
    case SingleEnded = 'single_ended';
    case Differential = 'differential';
}
