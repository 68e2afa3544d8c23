<?php

declare(strict_types=1);

namespace Ash\Memory;

/**
 * What a test wrote at the partners of an address: where an address line is stuck, the word read there belongs to one of them. A test
 * names the same addresses again and again, so the words of some are remembered.
 */
final class PartnerWords
{
    /** Addresses whose words are remembered. */
    private const KEPT = 4096;

    /** No word: the partner is not in the map. */
    private const NONE = -1;

    /** @var array<int, array{list<int>, list<int>}> by address: a word for each plain line and two for each pin; the lines that cannot be asked there */
    private array $known = [];

    private int $asked = 0;

    /** @var array<int, int> by line: errors at whose address it cannot be asked */
    private array $silent = [];

    private readonly int $plain;

    /** @var array<int, list<array{int, int}|null>> by bank: cell bits of each pin, null for one of another geometry */
    private array $pinsOf = [];

    /** @var array<int, list<int>> by bank: pins that cannot be asked there */
    private array $silentIn = [];

    /**
     * @param list<AddressLine> $lines plain lines by address bit, then pins
     * @param int               $plain how many are plain
     */
    public function __construct(private readonly Map $map, private readonly Pattern $pattern, private readonly array $lines, int $plain)
    {
        $this->plain = $plain;
        foreach ($map->banks as $b => $_) {
            $this->pinsOf[$b] = $this->silentIn[$b] = [];
            foreach (array_slice($lines, $plain) as $j => $pin) {
                $belongs = $pin->belongs($b);
                $this->pinsOf[$b][] = $belongs ? [$pin->bits[0], $pin->bits[1] ?? $pin->bits[0]] : null;
                $belongs || $this->silentIn[$b][] = $plain + $j;
            }
        }
    }

    /** An error, so many times: does the word belong to a partner of its address, in the map? */
    public function ask(int $bank, int $address, int $actual, int $xor, int $times): void
    {
        [$words, $silent] = $this->known[$address] ?? $this->learn($bank, $address);
        $this->asked += $times;
        foreach ($silent as $line) {
            $this->silent[$line] = ($this->silent[$line] ?? 0) + $times;
        }
        $before = null;
        foreach (array_keys($words, $actual, true) as $i) {
            $line = $i < $this->plain ? $i : $this->plain + ($i - $this->plain >> 1);
            $line === $before || $this->lines[$line]->hit($xor, $times);
            $before = $line;
        }
    }

    /** Tells the lines how often they were asked, now that all errors have come. */
    public function settle(): void
    {
        foreach ($this->lines as $i => $line) {
            $line->asked = $this->asked - ($this->silent[$i] ?? 0);
        }
    }

    /** @return array{list<int>, list<int>} */
    private function learn(int $bank, int $address): array
    {
        count($this->known) < self::KEPT || $this->known = [];
        $it = $this->map->banks[$bank];
        $near = $it->selectMask === 0;
        $words = $this->pattern->neighbours($address, $this->map->wordBits, $this->plain);
        $silent = [];
        foreach ($words as $k => $_) {
            $partner = $address ^ (1 << $k);
            if (!($near && $partner >= $it->start && $partner < $it->end) && $this->map->bankAt($partner) === null) {
                $words[$k] = self::NONE;
                $silent[] = $k;
            }
        }
        $belong = $this->pinsOf[$bank];
        foreach ($belong === [] ? [] : $this->pattern->ofTied($it, $address, $belong, $this->map->wordBits) as $word) {
            $words[] = $word;
        }

        return $this->known[$address] = [$words, $this->silentIn[$bank] === [] ? $silent : [...$silent, ...$this->silentIn[$bank]]];
    }
}
