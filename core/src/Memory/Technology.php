<?php

declare(strict_types=1);

namespace Ash\Memory;

/** What the cells of a memory are. */
enum Technology: string
{
    case Dram = 'dram';
    case Sram = 'sram';
    case Core = 'core';

    public function words(): string
    {
        return match ($this) {
            self::Dram => 'dynamic',
            self::Sram => 'static',
            self::Core => 'core',
        };
    }

    public static function of(?ChipType $chip): self
    {
        return $chip === null || $chip->sheet()['dynamic'] ? self::Dram : self::Sram;
    }
}
