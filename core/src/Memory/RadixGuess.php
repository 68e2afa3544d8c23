<?php

declare(strict_types=1);

namespace Ash\Memory;

use Ash\Quantity\Radix;

/** In which radix a log's addresses fall into the map: a log that was read in the wrong one maps almost nowhere. */
final class RadixGuess
{
    /** Addresses that are looked at; the first ones tell. */
    private const ENOUGH = 2000;
    private const FEWEST = 3;

    private int $addresses = 0;

    /** @var non-empty-array<int, int> by radix: addresses that the map knows */
    private array $mapped = [8 => 0, 10 => 0, 16 => 0];

    public function __construct(private readonly Map $map, private readonly Radix $radix)
    {
    }

    /** Not enough addresses were looked at. */
    public function asks(): bool
    {
        return $this->addresses < self::ENOUGH;
    }

    /** @param string $text digits without a mark; a marked number says its radix itself */
    public function took(string $text): void
    {
        if ($this->addresses >= self::ENOUGH) {
            return;
        }
        ++$this->addresses;
        foreach ($this->mapped as $radix => $_) {
            $value = Radix::from($radix)->parse($text);
            $this->mapped[$radix] += $value !== null && $this->map->bankAt($value) !== null ? 1 : 0;
        }
    }

    /** The radix in which nearly all addresses are in the map, when in the one that is set most are not. */
    public function better(): ?Radix
    {
        if ($this->addresses < self::FEWEST || ($this->mapped[$this->radix->value] ?? 0) * 2 > $this->addresses) {
            return null;
        }
        $best = array_search(max($this->mapped), $this->mapped, true);

        return $best === false || $best === $this->radix->value || $this->mapped[$best] < 0.9 * $this->addresses ? null : Radix::from($best);
    }
}
