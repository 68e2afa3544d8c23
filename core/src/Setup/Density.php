<?php

declare(strict_types=1);

namespace Ash\Setup;

/** Of a floppy disk or drive: single, double, high. */
enum Density: string
{
    case Sd = 'sd';
    case Dd = 'dd';
    case Hd = 'hd';

    public function rank(): int
    {
        return match ($this) {
            self::Sd => 0,
            self::Dd => 1,
            self::Hd => 2,
        };
    }

    public function words(): string
    {
        return match ($this) {
            self::Sd => 'single density',
            self::Dd => 'double density',
            self::Hd => 'high density',
        };
    }
}
