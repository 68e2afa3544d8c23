<?php

declare(strict_types=1);

namespace Ash\Setup;

/** How bits are written on a floppy disk. */
enum Encoding: string
{
    case Fm = 'fm';
    case Mfm = 'mfm';
}
