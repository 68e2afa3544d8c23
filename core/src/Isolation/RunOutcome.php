<?php

declare(strict_types=1);

namespace Ash\Isolation;

enum RunOutcome: string
{
    case Works = 'works';
    case Fails = 'fails';
}
