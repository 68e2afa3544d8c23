<?php

declare(strict_types=1);

namespace Ash\Isolation;

/** What came of a run of swaps. */
enum SwapOutcome: string
{
    case Works = 'works';
    case Fails = 'fails';
    case Sometimes = 'sometimes';

    public function words(): string
    {
        return match ($this) {
            self::Works => 'works',
            self::Fails => 'fails',
            self::Sometimes => 'fails sometimes',
        };
    }
}
