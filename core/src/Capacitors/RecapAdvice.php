<?php

declare(strict_types=1);

namespace Ash\Capacitors;

/** What the sum over a sample says to do with the rest of a kind. */
enum RecapAdvice: string
{
    case ReplaceAll = 'replace_all';
    case TestRest = 'test_rest';
}
