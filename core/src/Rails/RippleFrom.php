<?php

declare(strict_types=1);

namespace Ash\Rails;

/** Where a ripple comes from that was not seen on a scope. */
enum RippleFrom: string
{
    case Rms = 'rms';
}
