<?php

declare(strict_types=1);

namespace Ash\Capacitors;

/** What to do with a capacitor. */
enum PartVerdict: string
{
    case Keep = 'keep';
    case Watch = 'watch';
    case Replace = 'replace';

    /** The harder of two verdicts. */
    public static function worse(self $one, self $other): self
    {
        $rank = static fn (self $it): int => (int) array_search($it, self::cases(), true);

        return $rank($other) > $rank($one) ? $other : $one;
    }
}
