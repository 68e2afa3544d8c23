<?php

declare(strict_types=1);

namespace Ash\Setup;

/** What a setting takes of the machine. */
enum Takes: string
{
    case Irq = 'irq';
    case Dma = 'dma';
    case Io = 'io';
    case Mem = 'mem';
    case Id = 'id';
    case Unit = 'unit';
    case Slot = 'slot';

    public function words(): string
    {
        return match ($this) {
            self::Irq => 'interrupt',
            self::Dma => 'DMA channel',
            self::Io => 'ports',
            self::Mem => 'memory window',
            self::Id => 'bus id',
            self::Unit => 'cable unit',
            self::Slot => 'slot',
        };
    }

    /** It takes a range, written in hexadecimal, of a length that must be said. */
    public function ranges(): bool
    {
        return $this === self::Io || $this === self::Mem;
    }

    /**
     * The other places of it that there are, where the age's practice knows them (common practice, no source).
     *
     * @return list<int>
     */
    public function places(): array
    {
        return match ($this) {
            self::Irq => range(0, 15),
            self::Dma => range(0, 7),
            self::Id => range(0, 7),
            self::Unit => range(0, 3),
            default => [],
        };
    }
}
