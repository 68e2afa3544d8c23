<?php

declare(strict_types=1);

namespace Ash\Rails;

/**
 * Where a reading lies against its limits, best first. The two middle cases are within the meter's guard
 * band of a limit: the limit is met or missed by less than the meter can tell (JCGM 106:2012, guarded acceptance).
 */
enum Verdict: string
{
    case In = 'in';
    case InClose = 'in_close';
    case OutClose = 'out_close';
    case Out = 'out';

    public function severity(): int
    {
        return array_search($this, self::cases(), true) ?: 0;
    }

    public function good(): bool
    {
        return $this === self::In || $this === self::InClose;
    }

    public function words(): string
    {
        return match ($this) {
            self::In => 'in',
            self::InClose => 'in, close',
            self::OutClose => 'out, close',
            self::Out => 'out',
        };
    }
}
