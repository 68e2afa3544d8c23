<?php

declare(strict_types=1);

namespace Ash\Setup;

/** What a floppy drive says on its last line. */
enum Pin34: string
{
    case Ready = 'ready';
    case Change = 'change';
}
