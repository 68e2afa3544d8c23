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

    /** XOR values held before they are counted: bounds the memory when every error has its own. */
    private const HELD = 4096;

    public int $errors = 0;
    public int $unmapped = 0;

    /** @var array<int, int> errors by pair */
    public array $seen = [];

    /** @var array<int, array<int, array{int, int, int}>> by bank and XOR value: errors not yet counted by pair, AND and OR of their cells */
    private array $slots = [];
    private int $held = 0;

    /** @var array<int, int> errors that fall on this pair alone */
    private array $alone = [];

    /** @var array<int, int> errors that fall on no other chip than this, by its first pair */
    private array $within = [];

    /** @var array<int, int> errors that fall on a pair, by bank */
    private array $inBank = [];

    /** @var array<int, int> first pair of the chip that a pair belongs to */
    private array $chipOf = [];

    /** @var array<int, array{int, int}> AND and OR of the cells of a pair's errors */
    public array $cells = [];

    /** @var array<int, int|false> by bank: the one actual value of its errors, or false when there are several */
    public array $constant = [];

    /** @var list<AddressLine> plain lines, by address bit */
    private array $lines;

    /** @var list<AddressLine> */
    private array $pins;

    /** @param list<bool> $tested by bank */
    public function __construct(private readonly Map $map, private readonly array $tested, private readonly Pattern $pattern)
    {
        $this->lines = $pattern === Pattern::None ? [] : self::lines($map, $pattern);
        $this->pins = $pattern === Pattern::None ? [] : self::pins($map, $pattern);
        foreach ($map->banks as $b => $bank) {
            foreach ($bank->chips as $chip) {
                foreach ($chip->bits as $bit) {
                    $this->chipOf[$b * self::WIDTH + $bit] = $b * self::WIDTH + $chip->bits[0];
                }
            }
        }
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
        $cell = $this->map->banks[$bank]->cell($address);
        if (isset($this->slots[$bank][$xor])) {
            $slot = &$this->slots[$bank][$xor];
            ++$slot[0];
            $slot[1] &= $cell;
            $slot[2] |= $cell;
            unset($slot);
        } else {
            $this->slots[$bank][$xor] = [1, $cell, $cell];
            ++$this->held < self::HELD || $this->settle();
        }
        if ($actual !== null) {
            $this->constant[$bank] = !array_key_exists($bank, $this->constant) || $this->constant[$bank] === $actual ? $actual : false;
            $this->lines === [] || $this->ask($bank, $address, $actual, $xor);
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
        $cell = $this->map->banks[$bank]->cell($address);
        $this->fall($bank, $this->map->banks[$bank]->parity ? [$bank * self::WIDTH + Bank::P] : [], 1, [$cell, $cell]);
    }

    /** @param list<int> $bits of a bank that a test names without an address */
    public function named(int $bank, array $bits): void
    {
        ++$this->errors;
        if (!$this->tested[$bank]) {
            ++$this->unmapped;

            return;
        }
        $this->fall($bank, array_map(static fn (int $bit): int => $bank * self::WIDTH + $bit, $bits), 1, null);
    }

    /** @return list<Hypothesis> above 0.01, best first; none when no pair is seen */
    public function suspects(): array
    {
        $this->settle();
        if ($this->seen === []) {
            return [];
        }
        $pairs = $this->considered();
        $hypotheses = $this->hypotheses();
        $certain = array_filter($hypotheses, static fn (Hypothesis $it): bool => $it->certain) !== [];
        $base = 0.0;
        foreach ($pairs as $pair => $_) {
            $base += log(isset($this->seen[$pair]) ? 0.001 : 0.999);
        }
        $weights = array_map(function (Hypothesis $it) use ($pairs, $base, $certain): float {
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
        $posterior = array_map(static fn (Hypothesis $it, float $weight): Hypothesis => $it->with(exp($weight - $top) / $sum), $hypotheses, $weights);

        return self::ranked(array_values(array_filter($posterior, static fn (Hypothesis $it): bool => $it->probability > self::REPORTED)));
    }

    /** How many errors have all their pairs among these; an error without a pair is never among them. */
    public function explained(Hypothesis $suspect): int
    {
        $first = $suspect->pairs[0];

        return match ($suspect->kind) {
            SuspectKind::Chip => $this->within[$first] ?? 0,
            SuspectKind::ChipPart, SuspectKind::DataLine => array_sum(array_intersect_key($this->alone, array_flip($suspect->pairs))),
            SuspectKind::Bank => $this->inBank[intdiv($first, self::WIDTH)] ?? 0,
            default => array_sum($this->inBank),
        };
    }

    /** Does the word belong to a partner of its address, in the map? */
    private function ask(int $bank, int $address, int $actual, int $xor): void
    {
        $it = $this->map->banks[$bank];
        $plain = $it->selectMask === 0;
        foreach ($this->pattern->neighbours($address, $this->map->wordBits, count($this->lines)) as $k => $word) {
            $partner = $address ^ (1 << $k);
            if (($plain && $partner >= $it->start && $partner < $it->end) || $this->map->bankAt($partner) !== null) {
                $this->lines[$k]->ask($word === $actual, $xor);
            }
        }
        foreach ($this->pins as $pin) {
            $pin->askPin($bank, $address, $actual, $xor);
        }
    }

    /** Counts what is held, pair by pair. */
    private function settle(): void
    {
        foreach ($this->slots as $bank => $slots) {
            foreach ($slots as $xor => [$count, $and, $or]) {
                $pairs = [];
                foreach ($this->map->banks[$bank]->chips as $chip) {
                    foreach ($chip->bits as $bit) {
                        if ($bit !== Bank::P && ($xor >> $bit & 1) === 1) {
                            $pairs[] = $bank * self::WIDTH + $bit;
                        }
                    }
                }
                $this->fall($bank, $pairs, $count, [$and, $or]);
            }
        }
        $this->slots = [];
        $this->held = 0;
    }

    /**
     * @param list<int>            $pairs
     * @param array{int, int}|null $cells AND and OR
     */
    private function fall(int $bank, array $pairs, int $count, ?array $cells): void
    {
        if ($pairs === []) {
            return;
        }
        $this->inBank[$bank] = ($this->inBank[$bank] ?? 0) + $count;
        if (count($pairs) === 1) {
            $this->alone[$pairs[0]] = ($this->alone[$pairs[0]] ?? 0) + $count;
        }
        $chip = $this->chipOf[$pairs[0]];
        $one = true;
        foreach ($pairs as $pair) {
            $one = $one && $this->chipOf[$pair] === $chip;
            $this->seen[$pair] = ($this->seen[$pair] ?? 0) + $count;
            if ($cells !== null) {
                [$and, $or] = $this->cells[$pair] ?? $cells;
                $this->cells[$pair] = [$and & $cells[0], $or | $cells[1]];
            }
        }
        if ($one) {
            $this->within[$chip] = ($this->within[$chip] ?? 0) + $count;
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

    /** @return list<Hypothesis> in the order of the handbook's table */
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
                $chips[] = $it = new Hypothesis(
                    kind: SuspectKind::Chip,
                    prior: 10,
                    pairs: $pairs,
                    ref: $chip->ref,
                    refs: [$chip->ref],
                    bank: $bank->name,
                    bits: $chip->bits,
                );
                foreach (count($pairs) > 1 ? $chip->bits : [] as $i => $bit) {
                    $parts[] = new Hypothesis(
                        kind: SuspectKind::ChipPart,
                        prior: 3,
                        pairs: [$pairs[$i]],
                        ref: $chip->ref,
                        refs: [$chip->ref],
                        bank: $bank->name,
                        bits: [$bit],
                    );
                }
                foreach ($chip->bits as $i => $bit) {
                    $lines[$bit][] = $pairs[$i];
                }
                $whole = [...$whole, ...$pairs];
                if (array_intersect_key(array_flip($pairs), $this->seen) !== []) {
                    $several[] = $it;
                }
            }
            $banks[] = new Hypothesis(SuspectKind::Bank, 3, $whole, null, [], $bank->name);
            $all = [...$all, ...$whole];
        }
        ksort($lines);
        $n = count($several);

        return [
            ...$chips, ...$parts,
            ...array_map(
                static fn (int $bit, array $pairs): Hypothesis => new Hypothesis(
                    kind: SuspectKind::DataLine,
                    prior: 2,
                    pairs: $pairs,
                    ref: null,
                    refs: [],
                    bank: null,
                    bits: [$bit],
                ),
                array_keys($lines),
                $lines,
            ),
            ...$banks,
            new Hypothesis(SuspectKind::Everything, 2, $all),
            ...array_map(
                fn (AddressLine $line): Hypothesis => new Hypothesis(
                    kind: SuspectKind::AddressLine,
                    prior: 2,
                    pairs: array_keys($this->seen),
                    ref: null,
                    refs: [],
                    bank: null,
                    bits: [],
                    addressBits: $line->bits,
                    certain: $line->isCertain(),
                ),
                array_values(array_filter([...$this->lines, ...$this->pins], static fn (AddressLine $line): bool => $line->matches())),
            ),
            ...($n >= 2 && $n <= 8
                ? [
                    new Hypothesis(
                        SuspectKind::SeveralChips,
                        10 * 0.01 ** ($n - 1),
                        array_merge(...array_map(static fn (Hypothesis $it): array => $it->pairs, $several)),
                        null,
                        array_merge(...array_map(static fn (Hypothesis $it): array => $it->refs, $several)),
                    ),
                ]
                : []),
        ];
    }

    /**
     * Best first; what differs by less than 1e-9 keeps the table's order.
     *
     * @param list<Hypothesis> $suspects
     *
     * @return list<Hypothesis>
     */
    private static function ranked(array $suspects): array
    {
        $ranked = [];
        while ($suspects !== []) {
            $best = max(array_map(static fn (Hypothesis $it): float => $it->probability, $suspects));
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

        return $lines;
    }

    /** @return list<AddressLine> */
    private static function pins(Map $map, Pattern $pattern): array
    {
        $pins = [];
        $geometries = [];
        foreach ($map->banks as $b => $bank) {
            if ($bank->rowBits !== null && $map->technology === Technology::Dram) {
                $geometries["{$bank->rowBits} {$bank->columnBits}"][] = $b;
            }
        }
        foreach ($geometries as $geometry => $banks) {
            [$row, $column] = array_map(intval(...), explode(' ', $geometry));
            for ($j = 0; $j < min($row, $column); ++$j) {
                $pins[] = new AddressLine([$j, $j + $column], array_fill_keys($banks, true), $map, $pattern);
            }
        }

        return $pins;
    }
}
