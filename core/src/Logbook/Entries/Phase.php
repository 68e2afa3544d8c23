<?php

declare(strict_types=1);

namespace Ash\Logbook\Entries;

/** Whether a picture was taken before the work or after it. */
enum Phase: string
{
    case Before = 'before';
    case After = 'after';
}
