<?php

declare(strict_types=1);

namespace Ash\Memory;

/**
 * Which chip, line or bank is it: errors come in one by one and are kept as sums, so a million of them cost no more memory than
 * one screenful. The probability model is that of the handbook: priors by kind, and for every (bank, bit) pair 0.98 for
 * predicted and seen, 0.02 for predicted and not seen, 0.001 for seen and not predicted, 0.999 for neither.
 */
final class Locator
{
    /** Pairs are numbered bank * WIDTH + bit. */
    public const WIDTH = 65;

    private const REPORTED = 0.01;
    private const IMITATED = 0.001;

    public int $errors = 0;
    public int $unmapped = 0;

    /** @var array<int, int> errors by pair */
    public array $seen = [];

    /** @var array<string, int> mapped errors by the pairs they fall on, "" for none */
    private array $signatures = [];

    /** @var array<int, array{int, int}> AND and OR of the cells of a pair's errors */
    public array $cells = [];

    /** @var array<int, int|false> by bank: the one actual value of its errors, or false when there are several */
    public array $constant = [];

    /** @var list<AddressLine> plain lines before pins */
    private array $lines;

    /** @param list<bool> $tested by bank */
    public function __construct(private readonly Map $map, private readonly array $tested, private readonly Pattern $pattern)
    {
        $this->lines = $pattern === Pattern::None ? [] : self::lines($map, $pattern);
    }

    /** @param int|null $actual null when only the difference is known */
    public function data(int $address, int $xor, ?int $actual): void
    {
        ++$this->errors;
        $bank = $this->map->bankAt($address);
        if ($bank === null || !$this->tested[$bank]) {
            ++$this->unmapped;

            return;
        }
        $pairs = [];
        foreach ($this->map->banks[$bank]->chips as $chip) {
            foreach ($chip->bits as $bit) {
                if ($bit !== Bank::P && ($xor >> $bit & 1) === 1) {
                    $pairs[] = $bank * self::WIDTH + $bit;
                }
            }
        }
        $this->fall($pairs, $this->map->banks[$bank]->cell($address));
        if ($actual !== null) {
            $this->constant[$bank] = !array_key_exists($bank, $this->constant) || $this->constant[$bank] === $actual ? $actual : false;
            foreach ($this->lines as $line) {
                $line->ask($bank, $address, $actual, $xor);
            }
        }
    }

    public function parity(int $address): void
    {
        ++$this->errors;
        $bank = $this->map->bankAt($address);
        if ($bank === null || !$this->tested[$bank]) {
            ++$this->unmapped;

            return;
        }
        $this->fall($this->map->banks[$bank]->parity ? [$bank * self::WIDTH + Bank::P] : [], $this->map->banks[$bank]->cell($address));
    }

    /** @param list<int> $bits of a bank that a test names without an address */
    public function named(int $bank, array $bits): void
    {
        ++$this->errors;
        if (!$this->tested[$bank]) {
            ++$this->unmapped;

            return;
        }
        $this->fall(array_map(static fn (int $bit): int => $bank * self::WIDTH + $bit, $bits), null);
    }

    /** @return list<Suspect> above 0.01, best first; none when no pair is seen */
    public function suspects(): array
    {
        if ($this->seen === []) {
            return [];
        }
        $pairs = $this->considered();
        $hypotheses = $this->hypotheses();
        $certain = array_filter($hypotheses, static fn (Suspect $it): bool => $it->certain) !== [];
        $base = 0.0;
        foreach ($pairs as $pair => $_) {
            $base += log(isset($this->seen[$pair]) ? 0.001 : 0.999);
        }
        $weights = array_map(function (Suspect $it) use ($pairs, $base, $certain): float {
            $weight = log($it->prior) + $base + ($certain && !$it->certain ? log(self::IMITATED) : 0.0);
            foreach ($it->pairs as $pair) {
                if (isset($pairs[$pair])) {
                    $weight += isset($this->seen[$pair]) ? log(0.98) - log(0.001) : log(0.02) - log(0.999);
                }
            }

            return $weight;
        }, $hypotheses);
        $top = max([-INF, ...$weights]);
        $sum = array_sum(array_map(static fn (float $weight): float => exp($weight - $top), $weights));
        $posterior = array_map(static fn (Suspect $it, float $weight): Suspect => $it->with(exp($weight - $top) / $sum), $hypotheses, $weights);

        return self::ranked(array_values(array_filter($posterior, static fn (Suspect $it): bool => $it->probability > self::REPORTED)));
    }

    /** How many errors have all their pairs among these; an error without a pair is never among them. */
    public function explained(Suspect $suspect): int
    {
        $predicted = array_flip($suspect->pairs);
        $explained = 0;
        foreach ($this->signatures as $signature => $count) {
            if ($signature !== '' && array_diff_key(array_flip(array_map(intval(...), explode(',', (string) $signature))), $predicted) === []) {
                $explained += $count;
            }
        }

        return $explained;
    }

    /** @param list<int> $pairs */
    private function fall(array $pairs, ?int $cell): void
    {
        $key = implode(',', $pairs);
        $this->signatures[$key] = ($this->signatures[$key] ?? 0) + 1;
        foreach ($pairs as $pair) {
            $this->seen[$pair] = ($this->seen[$pair] ?? 0) + 1;
            if ($cell !== null) {
                [$and, $or] = $this->cells[$pair] ?? [$cell, $cell];
                $this->cells[$pair] = [$and & $cell, $or | $cell];
            }
        }
    }

    /** @return array<int, true> tested pairs, less the parity that a data error hides */
    private function considered(): array
    {
        $pairs = [];
        foreach ($this->map->banks as $b => $bank) {
            foreach ($this->tested[$b] ? $bank->chips : [] as $chip) {
                foreach ($chip->bits as $bit) {
                    $pairs[$b * self::WIDTH + $bit] = true;
                }
            }
            $data = array_filter(array_keys($this->seen), static fn (int $pair): bool => intdiv($pair, self::WIDTH) === $b && $pair % self::WIDTH !== Bank::P);
            if ($data !== [] && !isset($this->seen[$b * self::WIDTH + Bank::P])) {
                unset($pairs[$b * self::WIDTH + Bank::P]);
            }
        }

        return $pairs;
    }

    /** @return list<Suspect> in the order of the handbook's table */
    private function hypotheses(): array
    {
        $chips = $parts = $lines = $banks = $all = $several = [];
        foreach ($this->map->banks as $b => $bank) {
            if (!$this->tested[$b]) {
                continue;
            }
            $whole = [];
            foreach ($bank->chips as $chip) {
                $pairs = array_map(static fn (int $bit): int => $b * self::WIDTH + $bit, $chip->bits);
                $chips[] = $it = new Suspect('chip', 10, $pairs, $chip->ref, [$chip->ref], $bank->name, $chip->bits);
                foreach (count($pairs) > 1 ? $chip->bits : [] as $i => $bit) {
                    $parts[] = new Suspect('chip_part', 3, [$pairs[$i]], $chip->ref, [$chip->ref], $bank->name, [$bit]);
                }
                foreach ($chip->bits as $i => $bit) {
                    $lines[$bit][] = $pairs[$i];
                }
                $whole = [...$whole, ...$pairs];
                if (array_intersect_key(array_flip($pairs), $this->seen) !== []) {
                    $several[] = $it;
                }
            }
            $banks[] = new Suspect('bank', 3, $whole, null, [], $bank->name);
            $all = [...$all, ...$whole];
        }
        ksort($lines);
        $n = count($several);

        return [
            ...$chips, ...$parts,
            ...array_map(static fn (int $bit, array $pairs): Suspect => new Suspect('data_line', 2, $pairs, null, [], null, [$bit]), array_keys($lines), $lines),
            ...$banks,
            new Suspect('everything', 2, $all),
            ...array_map(fn (AddressLine $line): Suspect => new Suspect('address_line', 2, array_keys($this->seen), null, [], null, [], $line->bits, $line->isCertain()), array_values(array_filter($this->lines, static fn (AddressLine $line): bool => $line->matches()))),
            ...($n >= 2 && $n <= 8 ? [new Suspect('several_chips', 10 * 0.01 ** ($n - 1), array_merge(...array_map(static fn (Suspect $it): array => $it->pairs, $several)), null, array_merge(...array_map(static fn (Suspect $it): array => $it->refs, $several)))] : []),
        ];
    }

    /**
     * Best first; what differs by less than 1e-9 keeps the table's order.
     *
     * @param list<Suspect> $suspects
     *
     * @return list<Suspect>
     */
    private static function ranked(array $suspects): array
    {
        $ranked = [];
        while ($suspects !== []) {
            $best = max(array_map(static fn (Suspect $it): float => $it->probability, $suspects));
            foreach ($suspects as $i => $it) {
                if ($it->probability >= $best - 1e-9) {
                    $ranked[] = $it;
                    unset($suspects[$i]);
                    break;
                }
            }
        }

        return $ranked;
    }

    /** @return list<AddressLine> */
    private static function lines(Map $map, Pattern $pattern): array
    {
        $lines = [];
        $differ = $map->lowest() ^ $map->highest();
        for ($k = 0; $differ >> $k !== 0; ++$k) {
            $lines[] = new AddressLine([$k], [], $map, $pattern);
        }
        $geometries = [];
        foreach ($map->banks as $b => $bank) {
            if ($bank->rowBits !== null && $map->technology === 'dram') {
                $geometries["{$bank->rowBits} {$bank->columnBits}"][] = $b;
            }
        }
        foreach ($geometries as $geometry => $banks) {
            [$row, $column] = array_map(intval(...), explode(' ', $geometry));
            for ($j = 0; $j < min($row, $column); ++$j) {
                $lines[] = new AddressLine([$j, $j + $column], $banks, $map, $pattern);
            }
        }

        return $lines;
    }
}
