<?php

declare(strict_types=1);

namespace Ash\Rails;

/** What flows on a rail: DC, or AC whose figures are RMS. */
enum RailKind: string
{
    case Dc = 'dc';
    case Ac = 'ac';
}
