<?php

declare(strict_types=1);

namespace Ash\Logbook;

/** What an entry does to what is known. */
enum Weight: string
{
    /** Something was measured or seen. */
    case Evidence = 'evidence';

    /** Something is different now, so that a test must be repeated. */
    case Change = 'change';

    case Neither = 'neither';

    /** A line of attack that brings such entries is not a lost one. */
    public function bringsSomething(): bool
    {
        return $this !== self::Neither;
    }
}
