<?php

declare(strict_types=1);

namespace Ash\Corrosion;

/** What a place carries, so that a failure there would do the worst first. */
enum Carries: string
{
    case Supply = 'supply';
    case Bias = 'bias';
    case Clock = 'clock';
    case Memory = 'memory';
    case Signal = 'signal';
    case Ground = 'ground';
    case Nothing = 'nothing';

    /** Smaller is worse. */
    public function weight(): int
    {
        return (int) array_search($this, self::cases(), true);
    }
}
