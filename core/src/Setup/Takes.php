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
    case Size = 'size';

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
            self::Size => 'memory size',
        };
    }

    /** It takes a range, written in hexadecimal, of a length that must be said. */
    public function ranges(): bool
    {
        return $this === self::Io || $this === self::Mem;
    }

    /** It is an amount that adds up, in K, and not a place that one device can take from another. */
    public function adds(): bool
    {
        return $this === self::Size;
    }

    /** Whether it can be held: an address in hexadecimal, an amount of memory in K, or a whole number. */
    public function holds(string $value): bool
    {
        return preg_match(match (true) {
            $this->ranges() => '/^[0-9a-f]{1,6}$/iD',
            $this->adds() => '/^\d{1,7}K$/iD',
            default => '/^\d{1,4}$/D',
        }, $value) === 1;
    }

    public function wants(): string
    {
        return match (true) {
            $this->ranges() => 'must be a hexadecimal address',
            $this->adds() => 'must be so much memory, as 512K',
            default => 'must be a whole number',
        };
    }

    /** Where it is, or how much: 0330 and 330 are one; a window is given by its segment (C800), or whole (C8000). */
    public function place(string $value): int
    {
        return $this->ranges()
            ? (int) hexdec(preg_replace('/[^0-9a-f]/i', '', $value) ?? '') * ($this === self::Mem && strlen($value) <= 4 ? 16 : 1)
            : (int) $value;
    }

    public function written(int $place): string
    {
        return $this->ranges() ? sprintf('%X', $place) : (string) $place;
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
