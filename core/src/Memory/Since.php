<?php

declare(strict_types=1);

namespace Ash\Memory;

/** What was done to a memory since its last test. */
enum Since: string
{
    case Exchanged = 'exchanged';
    case Replaced = 'replaced';

    public function why(): string
    {
        return match ($this) {
            self::Exchanged => 'two chips were exchanged: the prediction is confirmed or refuted by the same test',
            self::Replaced => 'something was changed since the test: the same test that failed must pass',
        };
    }
}
