<?php

declare(strict_types=1);

namespace Ash\Logbook;

use Ash\Facts\PowerOn;

/** A recorded decision to go on past a closed gate. */
final readonly class Leap
{
    public function __construct(public PowerOn $level, public string $reason)
    {
    }
}
