<?php

declare(strict_types=1);

namespace Ash\Memory;

/** What may be right but should be looked at in a map: bits that no chip gives, addresses that no bank answers, chips of another size. */
final readonly class MapCheck
{
    /** Address bits of interleave that are tried one by one. */
    private const MOST_SELECT_BITS = 10;

    /** @return list<string> each names the exact place */
    public static function of(FittedMemory $memory): array
    {
        return [...self::missingBits($memory->map), ...self::gaps($memory->map), ...self::sizes($memory)];
    }

    /** @return list<string> */
    private static function missingBits(Map $map): array
    {
        $says = [];
        foreach ($map->banks as $bank) {
            $given = array_merge(...array_map(static fn (Chip $chip): array => $chip->bits, $bank->chips));
            $missing = array_values(array_diff(range(0, $map->wordBits - 1), $given));
            if ($missing !== []) {
                $says[] = "bank {$bank->name}: no chip gives ".(count($missing) === 1 ? 'bit ' : 'bits ').implode(', ', $missing);
            }
        }

        return $says;
    }

    /** @return list<string> between the lowest and the highest address */
    private static function gaps(Map $map): array
    {
        $edges = array_unique(array_merge(...array_map(static fn (Bank $bank): array => [$bank->start, $bank->end], $map->banks)));
        sort($edges);
        $says = [];
        for ($i = 0; $i + 1 < count($edges); ++$i) {
            $here = array_filter($map->banks, static fn (Bank $bank): bool => $bank->start < $edges[$i + 1] && $bank->end > $edges[$i]);
            $place = "{$map->radix->format($edges[$i])} to {$map->radix->format($edges[$i + 1] - 1)}";
            if ($here === []) {
                $says[] = "no bank answers from {$place}";
                continue;
            }
            $says = [...$says, ...self::lanes($here, $place, $map)];
        }

        return $says;
    }

    /**
     * @param array<Bank> $banks that share a stretch of addresses by their select
     *
     * @return list<string>
     */
    private static function lanes(array $banks, string $place, Map $map): array
    {
        $mask = array_reduce($banks, static fn (int $mask, Bank $bank): int => $mask | $bank->selectMask, 0);
        $bits = array_values(array_filter(range(0, 62), static fn (int $k): bool => ($mask >> $k & 1) === 1));
        if (count($bits) > self::MOST_SELECT_BITS) {
            return [];
        }
        $says = [];
        for ($i = 0; $i < 1 << count($bits); ++$i) {
            $value = 0;
            foreach ($bits as $n => $k) {
                $value |= ($i >> $n & 1) << $k;
            }
            if (array_filter($banks, static fn (Bank $bank): bool => ($value & $bank->selectMask) === $bank->selectValue) === []) {
                $says[] = "no bank answers from {$place} where the address under mask {$map->radix->format($mask)} is {$map->radix->format($value)}";
            }
        }

        return $says;
    }

    /** @return list<string> */
    private static function sizes(FittedMemory $memory): array
    {
        if ($memory->chip === null) {
            return [];
        }
        $sheet = $memory->chip->sheet();
        $says = [];
        foreach ($memory->map->banks as $bank) {
            if ($bank->words !== $sheet['words']) {
                $says[] = "bank {$bank->name} has {$bank->words} words, a {$memory->chip->value} has {$sheet['words']}";
            }
            foreach ($bank->chips as $chip) {
                if (count($chip->bits) > $sheet['bits']) {
                    $says[] = "{$chip->ref} gives ".count($chip->bits)." bits, a {$memory->chip->value} has {$sheet['bits']}";
                }
            }
        }
        if (Technology::of($memory->chip) !== $memory->map->technology) {
            $says[] = "the map says {$memory->map->technology->value}, a {$memory->chip->value} is ".Technology::of($memory->chip)->value;
        }

        return $says;
    }
}
