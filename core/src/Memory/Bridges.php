<?php

declare(strict_types=1);

namespace Ash\Memory;

/** Two lines that touch: data lines read alike where one of them is wrong, address lines make one cell of three. Looked for in a sample of the errors. */
final readonly class Bridges
{
    private const LEAST = 4;
    private const SHARE = 0.95;

    /** Each side of a bridge shows in this share of its errors at least. */
    private const SIDE = 0.1;

    public function __construct(private Map $map, private Sample $sample)
    {
    }

    /** @return list<array{int, int}> bits i < j of data lines that touch */
    public function data(): array
    {
        $one = $wrong = [];
        foreach ($this->sample->errors as [$bank, , $xor, $actual]) {
            $own = $xor & $this->map->banks[$bank]->ownBits;
            foreach ($own === 0 ? [] : self::bits($own) as $i) {
                $wrong[$bank][$i] = ($wrong[$bank][$i] ?? 0) + 1;
            }
            if ($own !== 0 && ($own & ($own - 1)) === 0) {
                $one[] = [$bank, self::bits($own)[0], $actual];
            }
        }
        $alike = [];
        $any = array_keys(array_replace(...array_values($wrong) ?: [[]]));
        foreach ($one as [$bank, $i, $actual]) {
            $reads = $actual >> $i & 1;
            foreach ($any as $j) {
                if ($j !== $i && ($actual >> $j & 1) === $reads && ($this->map->banks[$bank]->ownBits >> $j & 1) === 1) {
                    $pair = min($i, $j).' '.max($i, $j);
                    $alike[$pair] = ($alike[$pair] ?? 0) + 1;
                }
            }
        }
        $found = [];
        foreach ($alike as $pair => $m) {
            [$i, $j] = array_map(intval(...), explode(' ', $pair));
            [$ni, $nj] = $this->together($wrong, $i, $j);
            if ($m >= self::LEAST && self::atLeast($m, self::SHARE * ($ni + $nj)) && self::atLeast(min($ni, $nj), self::SIDE * ($ni + $nj))) {
                $found[] = [$i, $j];
            }
        }
        sort($found);

        return $found;
    }

    /**
     * @param array<int, array<int, int>> $wrong errors by bank and bit
     *
     * @return array{int, int} of the banks that have both
     */
    private function together(array $wrong, int $i, int $j): array
    {
        $both = 1 << $i | 1 << $j;
        $n = [0, 0];
        foreach ($wrong as $bank => $bits) {
            if (($this->map->banks[$bank]->ownBits & $both) === $both) {
                $n[0] += $bits[$i] ?? 0;
                $n[1] += $bits[$j] ?? 0;
            }
        }

        return $n;
    }

    /**
     * @param int $lines plain lines there are
     *
     * @return list<array{int, int, string, bool}> lines k < l, "or" or "and", and whether its errors show two XOR values
     */
    public function address(int $lines, Pattern $pattern): array
    {
        $found = [];
        $mapped = [];
        foreach ($this->sample->errors as [, $address]) {
            $mapped[$address] = true;
        }
        for ($k = 0; $k < $lines; ++$k) {
            for ($l = $k + 1; $l < $lines; ++$l) {
                foreach (['or', 'and'] as $op) {
                    $certain = $this->bridged($k, $l, $op === 'or', $pattern, $mapped);
                    $certain === null || $found[] = [$k, $l, $op, $certain];
                }
            }
        }

        return $found;
    }

    /**
     * @param array<int, bool> $mapped what is known of addresses
     *
     * @return bool|null null: no such bridge; else whether its errors show two XOR values
     */
    private function bridged(int $k, int $l, bool $or, Pattern $pattern, array &$mapped): ?bool
    {
        $both = 1 << $k | 1 << $l;
        $asked = $hits = $set = 0;
        $values = [];
        // Once more than a twentieth of the sample has failed it, it cannot match any more.
        $failures = count($this->sample->errors) * (1 - self::SHARE) + 1e-9;
        foreach ($this->sample->errors as [, $address, $xor, $actual]) {
            $cell = $or ? $address | $both : $address & ~$both;
            $touched = ($address & $both) !== ($or ? 0 : $both);
            if ($touched && !($mapped[$cell] ??= $this->map->bankAt($cell) !== null)) {
                continue;
            }
            ++$asked;
            $last = $touched ? $this->last($address, $both, 1 << $l, $or, $mapped) : $address;
            if ($last !== $address && $pattern->word($last, $this->map->wordBits) === $actual) {
                ++$hits;
                $set += $address >> $k & 1;
                $values[$xor] = true;
            } elseif ($asked - $hits > $failures) {
                return null;
            }
        }

        return $hits >= self::LEAST && self::atLeast($hits, self::SHARE * $asked) && self::atLeast(min($set, $hits - $set), self::SIDE * $hits)
            ? count($values) >= 2 : null;
    }

    /**
     * The highest of the three addresses that have become one cell, of those in the map: it was written last.
     *
     * @param array<int, bool> $mapped
     */
    private function last(int $address, int $both, int $high, bool $or, array &$mapped): int
    {
        $clear = $address & ~$both;
        foreach ($or ? [$clear | $both] : [$clear | $high, $clear | ($both & ~$high), $clear] as $one) {
            if ($mapped[$one] ??= $this->map->bankAt($one) !== null) {
                return $one;
            }
        }

        return $address;
    }

    private static function atLeast(float $value, float $limit): bool
    {
        return $value >= $limit * (1 - 1e-9);
    }

    /** @return list<int> */
    private static function bits(int $word): array
    {
        $bits = [];
        for ($bit = 0; $word >> $bit !== 0; ++$bit) {
            ($word >> $bit & 1) === 0 || $bits[] = $bit;
        }

        return $bits;
    }
}
