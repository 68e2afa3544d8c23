<?php

declare(strict_types=1);

namespace Ash\Rails;

/** How the supply was loaded while a reading was taken. Many supplies regulate only with some load attached. */
enum Load: string
{
    case None = 'none';
    case Partial = 'partial';
    case Working = 'working';

    public function rank(): int
    {
        return array_search($this, self::cases(), true) ?: 0;
    }

    public function words(): string
    {
        return match ($this) {
            self::None => 'no load',
            self::Partial => 'partial load',
            self::Working => 'working load',
        };
    }
}
