<?php

declare(strict_types=1);

namespace Ash\Facts;

/** Two schools exist: hold the supply's own +-5 %, or accept the +-10 % that much early logic and memory does. */
enum Band: string
{
    case Tight = 'tight';
    case Wide = 'wide';
}
