<?php

declare(strict_types=1);

namespace Ash\Logbook;

/** The three places where power is not advised. */
enum Gate: string
{
    case LeakingCell = 'leaking_cell';
    case Rails = 'rails';
    case Bias = 'bias';

    /** As it stands between two stages. */
    public function number(): int
    {
        return (int) array_search($this, self::cases(), true) + 1;
    }

    public function words(): string
    {
        return match ($this) {
            self::LeakingCell => 'Gate 1: battery',
            self::Rails => 'Gate 2: rails',
            self::Bias => 'Gate 3: bias',
        };
    }
}
