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

    /** Distinct cells of a pair's errors that are kept: enough to say whether a bit stays by chance. */
    public const CELLS = 24;

    public int $errors = 0;
    public int $unmapped = 0;

    /** @var array<int, int> errors by pair, as suspects() found them */
    public array $seen = [];

    /** @var array<int, int> by bank: stops, parity errors that tell nothing else; as suspects() found them */
    public array $stops = [];

    /** @var list<Hypothesis> what suspects() reported */
    private array $listed = [];

    /** @var array<int, int> by bank: parity errors that only do their work; as suspects() found them */
    private array $work = [];

    /** @var array<int, int> errors by pair, without those of parity alone */
    private array $told = [];

    /** @var array<int, array<int, array{int, int, int, array<int, true>}>> by bank and XOR value: errors not yet counted, AND and OR of their cells, some */
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

    /** @var array<int, array<int, int>> errors that fall on just two pairs, by the first and the second */
    private array $twos = [];

    /** @var array<int, array{int, int, array<int, true>}> AND and OR of the cells of a pair's errors, and some distinct ones */
    public array $cells = [];

    /** @var array<int, array{int, int, array<int, true>}> the same of what fell on parity columns, as suspects() found it */
    private array $parityCells = [];

    /** @var array<int, DriveLines> by bank, of core with rows and columns */
    private array $drives = [];

    /** @var array<int, bool> by XOR value and bank: an odd number of the bank's own bits is wrong */
    private array $odd = [];

    private readonly PartnerWords $partners;
    private readonly Sample $sample;
    private readonly ParityErrors $parityErrors;

    /** @var array<int, int|false> by bank: the one actual value of its errors, or false when there are several */
    public array $constant = [];

    /** @var list<AddressLine> plain lines, by address bit */
    private array $lines;

    /** @var list<AddressLine> */
    private array $pins;

    /** @param list<bool> $tested by bank */
    public function __construct(private readonly Map $map, private readonly array $tested, private readonly Pattern $pattern)
    {
        $this->lines = $pattern === Pattern::None ? [] : self::lines($map);
        $this->pins = $pattern === Pattern::None ? [] : self::pins($map);
        $this->partners = new PartnerWords($map, $pattern, [...$this->lines, ...$this->pins], count($this->lines));
        $this->sample = new Sample();
        $this->parityErrors = new ParityErrors();
        foreach ($map->banks as $b => $bank) {
            if ($map->technology === Technology::Core && $bank->columnBits !== null) {
                $this->drives[$b] = new DriveLines($bank->columnBits);
            }
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
        $error = $this->counted($address, $xor, $actual, 1);
        $error === null || $this->sample->add($error);
    }

    /**
     * The same error so many times. What came in what order is for sampled() to say.
     *
     * @return array{int, int, int, int}|null bank, address, XOR and actual value, when it belongs into the sample
     */
    public function counted(int $address, int $xor, ?int $actual, int $times): ?array
    {
        $place = $this->place($address);
        $this->at($place, $xor, $actual, $times);

        return $actual === null || $place[1] < 0 ? null : [$place[1], $address, $xor, $actual];
    }

    /** @return array{int, int, int} the address, its bank and its cell there; bank -1: it is in none that was tested */
    public function place(int $address): array
    {
        $bank = $this->map->bankAt($address);

        return $bank === null || !$this->tested[$bank] ? [$address, -1, 0] : [$address, $bank, $this->map->banks[$bank]->cell($address)];
    }

    /** @param array{int, int, int} $place of the error, as place() said */
    public function at(array $place, int $xor, ?int $actual, int $times): void
    {
        [$address, $bank, $cell] = $place;
        $this->errors += $times;
        if ($bank < 0) {
            $this->unmapped += $times;

            return;
        }
        if (isset($this->slots[$bank][$xor])) {
            $slot = &$this->slots[$bank][$xor];
            $slot[0] += $times;
            $slot[1] &= $cell;
            $slot[2] |= $cell;
            count($slot[3]) >= self::CELLS || $slot[3][$cell] = true;
            unset($slot);
        } else {
            $this->slots[$bank][$xor] = [$times, $cell, $cell, [$cell => true]];
            ++$this->held < self::HELD || $this->settle();
        }
        $it = $this->map->banks[$bank];
        if ($it->parity) {
            $this->parityErrors->data($bank, $address, $this->isOdd($xor & $it->ownBits));
        }
        isset($this->drives[$bank]) && $this->drives[$bank]->data($cell, $xor & $it->ownBits, $times);
        if ($actual === null) {
            return;
        }
        $one = $this->constant[$bank] ?? null;
        if ($one !== false && $one !== $actual) {
            $this->constant[$bank] = $one === null ? $actual : false;
        }
        $this->lines === [] || $this->partners->ask($bank, $address, $actual, $xor, $times);
    }

    /**
     * Errors that were counted, in the order in which they came.
     *
     * @param list<string>                                              $rows
     * @param array<array-key, array{int, int, int, int}|null>          $errors by row; null: it has no actual value
     * @param (\Closure(string): (array{int, int, int, int}|null))|null $other  of a row that is not among them
     */
    public function sampled(array $rows, array $errors, ?\Closure $other = null): void
    {
        $this->sample->addAll($rows, $errors, $other);
    }

    public function parity(int $address, int $times = 1): void
    {
        $this->errors += $times;
        $bank = $this->map->bankAt($address);
        if ($bank === null || !$this->tested[$bank]) {
            $this->unmapped += $times;

            return;
        }
        $this->map->banks[$bank]->parity && $this->parityErrors->parity($bank, $address, $times);
    }

    private function isOdd(int $bits): bool
    {
        count($this->odd) < self::HELD || $this->odd = [];

        return $this->odd[$bits] ??= substr_count(decbin($bits), '1') % 2 === 1;
    }

    /** An error of which the test does not say where. */
    public function nowhere(): void
    {
        ++$this->errors;
        ++$this->unmapped;
    }

    /** @param list<int> $bits of a bank that a test names without an address */
    public function named(int $bank, array $bits, int $times = 1): void
    {
        $this->errors += $times;
        if (!$this->tested[$bank]) {
            $this->unmapped += $times;

            return;
        }
        $this->fall($bank, array_map(static fn (int $bit): int => $bank * self::WIDTH + $bit, $bits), $times, null);
    }

    /** @return list<Hypothesis> above 0.01, best first; none when no pair is seen */
    public function suspects(): array
    {
        $this->settle();
        $this->partners->settle();
        $this->sortParity();
        $this->listed = [];
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
            $exempt = $it->certain || $it->kind === SuspectKind::DataBridge;
            $weight = log($it->prior) + $base + ($certain && !$exempt ? log(self::IMITATED) : 0.0);
            foreach ($this->predicted($it) as $pair) {
                if (isset($pairs[$pair])) {
                    $weight += isset($this->seen[$pair]) ? log(0.98) - log(0.001) : log(0.02) - log(0.999);
                }
            }

            return $weight;
        }, $hypotheses);
        $top = max([-INF, ...$weights]);
        $sum = array_sum(array_map(static fn (float $weight): float => exp($weight - $top), $weights));
        $posterior = array_map(static fn (Hypothesis $it, float $weight): Hypothesis => $it->with(exp($weight - $top) / $sum), $hypotheses, $weights);

        return $this->listed = self::ranked(array_values(array_filter($posterior, static fn (Hypothesis $it): bool => $it->probability > self::REPORTED)));
    }

    /**
     * What a hypothesis predicts: in a bank with a stop the parity column, when it predicts any pair of the bank.
     *
     * @return list<int>
     */
    private function predicted(Hypothesis $it): array
    {
        if ($this->stops === []) {
            return $it->pairs;
        }
        $pairs = array_flip($it->pairs);
        foreach ($it->pairs as $pair) {
            $bank = intdiv($pair, self::WIDTH);
            isset($this->stops[$bank]) && $pairs[$bank * self::WIDTH + Bank::P] = true;
        }

        return array_keys($pairs);
    }

    /** What errors of parity alone mean, now that the others are known. */
    private function sortParity(): void
    {
        $this->seen = $this->told;
        $this->stops = $this->work = $this->parityCells = [];
        $known = [];
        foreach ($this->told as $pair => $_) {
            $known[intdiv($pair, self::WIDTH)] = true;
        }
        foreach ($this->parityErrors->banks() as $bank) {
            ['work' => $work, 'falls' => $falls, 'stops' => $stops] = $this->parityErrors->sorted($bank, isset($known[$bank]));
            $work === 0 || $this->work[$bank] = $work;
            $stops === [] || $this->stops[$bank] = array_sum($stops);
            $pair = $bank * self::WIDTH + Bank::P;
            foreach ($falls + $stops as $address => $count) {
                $cell = $this->map->banks[$bank]->cell($address);
                $this->seen[$pair] = ($this->seen[$pair] ?? 0) + $count;
                [$and, $or, $some] = $this->parityCells[$pair] ?? $this->cells[$pair] ?? [$cell, $cell, []];
                $this->parityCells[$pair] = [$and & $cell, $or | $cell, count($some) < self::CELLS ? $some + [$cell => true] : $some];
            }
        }
    }

    /**
     * Where the errors of these pairs sit.
     *
     * @param list<int> $pairs
     *
     * @return array{int, int, int}|null AND and OR of their cells, and how many distinct ones are known; null when no address was said
     */
    public function cellsOf(array $pairs): ?array
    {
        $and = $or = null;
        $some = [];
        foreach ($pairs as $pair) {
            $it = $this->parityCells[$pair] ?? $this->cells[$pair] ?? null;
            if ($it !== null) {
                [$and, $or, $some] = [($and ?? $it[0]) & $it[0], ($or ?? $it[1]) | $it[1], $some + $it[2]];
            }
        }

        return $and === null || $or === null ? null : [$and, $or, count($some)];
    }

    /** Errors that lie in a bank that was tested. */
    public function mapped(): int
    {
        return $this->errors - $this->unmapped;
    }

    /** Under fold, with no more address bits than word bits, address lines that touch look like data lines that do: both are among the suspects. */
    public function bridgesAlike(): bool
    {
        return $this->pattern === Pattern::Fold && count($this->lines) <= $this->map->wordBits
            && count(array_unique(array_map(static fn (Hypothesis $it): string => $it->kind->value.$it->op, array_filter(
                $this->listed,
                static fn (Hypothesis $it): bool => $it->kind === SuspectKind::DataBridge || $it->op === 'or',
            )))) === 2;
    }

    /** How many errors have all their pairs among these; an error without a pair is never among them, unless parity did its work there. */
    public function explained(Hypothesis $suspect): int
    {
        $first = $suspect->pairs[0];
        $own = array_flip($suspect->pairs);
        $explained = match ($suspect->kind) {
            SuspectKind::Chip => $this->within[$first] ?? 0,
            SuspectKind::ChipPart, SuspectKind::DataLine => array_sum(array_intersect_key($this->alone, $own)),
            SuspectKind::DataBridge => array_sum(array_intersect_key($this->alone, $own)) + array_sum(array_map(
                static fn (array $second): int => array_sum(array_intersect_key($second, $own)),
                array_intersect_key($this->twos, $own),
            )),
            SuspectKind::Bank, SuspectKind::DriveLine => $this->inBank[intdiv($first, self::WIDTH)] ?? 0,
            default => array_sum($this->inBank),
        };
        $banks = $seen = [];
        foreach ($suspect->pairs as $pair) {
            $bank = intdiv($pair, self::WIDTH);
            $banks[$bank] = true;
            isset($this->seen[$pair]) && $seen[$bank] = true;
        }
        // Parity errors that fall on their column beside data of an even number of wrong bits.
        foreach ($this->parityErrors->banks() as $bank) {
            $pair = $bank * self::WIDTH + Bank::P;
            $fell = ($this->seen[$pair] ?? 0) - ($this->told[$pair] ?? 0);
            $explained += isset($this->stops[$bank]) ? (isset($banks[$bank]) ? $fell : 0) : (isset($own[$pair]) ? $fell : 0);
            $explained += isset($seen[$bank]) ? $this->work[$bank] ?? 0 : 0;
        }

        return $explained;
    }

    /** Counts what is held, pair by pair. */
    private function settle(): void
    {
        foreach ($this->slots as $bank => $slots) {
            foreach ($slots as $xor => [$count, $and, $or, $some]) {
                $pairs = [];
                foreach ($this->map->banks[$bank]->chips as $chip) {
                    foreach ($chip->bits as $bit) {
                        if ($bit !== Bank::P && ($xor >> $bit & 1) === 1) {
                            $pairs[] = $bank * self::WIDTH + $bit;
                        }
                    }
                }
                $this->fall($bank, $pairs, $count, [$and, $or, $some]);
            }
        }
        $this->slots = [];
        $this->held = 0;
    }

    /**
     * @param list<int>                              $pairs
     * @param array{int, int, array<int, true>}|null $cells AND and OR, and some
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
        if (count($pairs) === 2) {
            $this->twos[min($pairs)][max($pairs)] = ($this->twos[min($pairs)][max($pairs)] ?? 0) + $count;
        }
        $chip = $this->chipOf[$pairs[0]];
        $one = true;
        foreach ($pairs as $pair) {
            $one = $one && $this->chipOf[$pair] === $chip;
            $this->told[$pair] = ($this->told[$pair] ?? 0) + $count;
            if ($cells !== null) {
                [$and, $or, $some] = $this->cells[$pair] ?? $cells;
                $this->cells[$pair] = [$and & $cells[0], $or | $cells[1], count($some) < self::CELLS ? $some + $cells[2] : $some];
            }
        }
        if ($one) {
            $this->within[$chip] = ($this->within[$chip] ?? 0) + $count;
        }
    }

    /** @return array<int, true> tested pairs, less the parity that a data error hides, and the data of banks with a stop, which nobody looked at */
    private function considered(): array
    {
        $pairs = [];
        foreach ($this->map->banks as $b => $bank) {
            if (isset($this->stops[$b])) {
                $pairs[$b * self::WIDTH + Bank::P] = true;
                continue;
            }
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
                // A stop does not speak for the parity chip.
                if (array_intersect_key(array_flip($pairs), isset($this->stops[$b]) ? $this->told : $this->seen) !== []) {
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
            ...$this->dataBridges($lines),
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
            ...$this->addressBridges(),
            ...$this->driveLines(),
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
     * @param array<int, list<int>> $pairs of the tested banks, by bit
     *
     * @return list<Hypothesis>
     */
    private function dataBridges(array $pairs): array
    {
        $bridges = [];
        foreach ((new Bridges($this->map, $this->sample))->data() as [$i, $j]) {
            $both = 1 << $i | 1 << $j;
            $has = fn (int $pair): bool => ($this->map->banks[intdiv($pair, self::WIDTH)]->ownBits & $both) === $both;
            $bridges[] = new Hypothesis(
                kind: SuspectKind::DataBridge,
                prior: 3,
                pairs: array_values(array_filter([...$pairs[$i] ?? [], ...$pairs[$j] ?? []], $has)),
                bits: [$i, $j],
            );
        }

        return $bridges;
    }

    /** @return list<Hypothesis> */
    private function addressBridges(): array
    {
        return $this->pattern === Pattern::None ? [] : array_map(fn (array $it): Hypothesis => new Hypothesis(
            kind: SuspectKind::AddressBridge,
            prior: 3,
            pairs: array_keys($this->seen),
            addressBits: [$it[0], $it[1]],
            certain: $it[3],
            op: $it[2],
        ), (new Bridges($this->map, $this->sample))->address(count($this->lines), $this->pattern));
    }

    /** @return list<Hypothesis> */
    private function driveLines(): array
    {
        $found = [];
        foreach ($this->drives as $bank => $lines) {
            foreach ($lines->found($this->parityErrors->byCell($bank, $this->map->banks[$bank], isset($this->stops[$bank]))) as $name) {
                $found[] = new Hypothesis(
                    kind: SuspectKind::DriveLine,
                    prior: 20,
                    pairs: array_values(array_filter(array_keys($this->seen), static fn (int $pair): bool => intdiv($pair, self::WIDTH) === $bank)),
                    ref: $name,
                    bank: $this->map->banks[$bank]->name,
                );
            }
        }

        return array_values(array_filter($found, static fn (Hypothesis $it): bool => $it->pairs !== []));
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
    private static function lines(Map $map): array
    {
        $lines = [];
        $differ = $map->lowest() ^ $map->highest();
        for ($k = 0; $differ >> $k !== 0; ++$k) {
            $lines[] = new AddressLine([$k], []);
        }

        return $lines;
    }

    /** @return list<AddressLine> */
    private static function pins(Map $map): array
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
                $pins[] = new AddressLine([$j, $j + $column], array_fill_keys($banks, true));
            }
        }

        return $pins;
    }
}
