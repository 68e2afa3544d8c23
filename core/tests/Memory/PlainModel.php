<?php

declare(strict_types=1);

namespace Ash\Tests\Memory;

/**
 * The location model once more, written down from its description in the plainest way: sets of pairs, every hypothesis against every
 * pair, every line against every error, nothing kept, nothing streamed. It shares no code with the core, so that where both agree on random
 * documents, both have read the description alike. Addresses are numbers here.
 *
 * @phpstan-type PlainBank array{
 *     name: string, start: int, words: int, chips: list<array{ref: string, bits: list<int>}>, parity: ?string,
 *     mask: int, value: int, row_bits: int, column_bits: int,
 * }
 * @phpstan-type PlainError array{address?: int, expected?: int, actual?: int, parity?: bool, bank?: string, bit?: int|string, ref?: string}
 * @phpstan-type Hypothesis array{kind: string, predicts: list<string>, prior: float, strong: bool}
 */
final class PlainModel
{
    /**
     * @param list<PlainBank> $banks
     * @param list<string>    $tested
     */
    public function __construct(
        private readonly int $wordBits,
        private readonly array $banks,
        private readonly array $tested,
        private readonly string $pattern,
        private readonly bool $core = false,
    ) {
    }

    public function word(int $address, ?string $pattern = null): int
    {
        if (($pattern ?? $this->pattern) === 'mix') {
            return (($address % 2 ** 32) * 2654435761 % 2 ** 32) >> (32 - $this->wordBits);
        }
        for ($word = 0; $address > 0; $address >>= $this->wordBits) {
            $word ^= $address % 2 ** $this->wordBits;
        }

        return $word;
    }

    /** @return PlainBank|null */
    public function bankOf(int $address): ?array
    {
        foreach ($this->banks as $bank) {
            $span = $bank['words'] * 2 ** substr_count(decbin($bank['mask']), '1');
            if ($address >= $bank['start'] && $address < $bank['start'] + $span && ($address & $bank['mask']) === $bank['value']) {
                return $bank;
            }
        }

        return null;
    }

    /** @param PlainBank $bank */
    public function address(array $bank, int $cell): int
    {
        $address = $bank['value'];
        for ($bit = 0; $cell > 0; ++$bit) {
            if (($bank['mask'] >> $bit & 1) === 0) {
                $address += ($cell & 1) << $bit;
                $cell >>= 1;
            }
        }

        return $bank['start'] + $address;
    }

    /** @param PlainBank $bank */
    private function cell(array $bank, int $address): int
    {
        $cell = $place = 0;
        for ($bit = 0; $bit < 40; ++$bit) {
            if (($bank['mask'] >> $bit & 1) === 0) {
                $cell += ($address - $bank['start'] >> $bit & 1) << $place++;
            }
        }

        return $cell;
    }

    /**
     * @param PlainError $error
     *
     * @return list<string>|null the pairs it falls on, of a parity error none yet; null when it is unmapped
     */
    private function pairsOf(array $error): ?array
    {
        $bank = isset($error['address']) ? $this->bankOf($error['address']) : null;
        $bits = [];
        foreach ($this->banks as $it) {
            foreach ([...$it['chips'], ...($it['parity'] === null ? [] : [['ref' => $it['parity'], 'bits' => ['P']]])] as $chip) {
                if (($error['ref'] ?? '') === $chip['ref']) {
                    [$bank, $bits] = [$it, $chip['bits']];
                }
            }
            if (($error['bank'] ?? '') === $it['name']) {
                [$bank, $bits] = [$it, [$error['bit'] ?? 0]];
            }
        }
        if ($bank === null || !in_array($bank['name'], $this->tested, true)) {
            return null;
        }
        if (isset($error['address'])) {
            $xor = ($error['expected'] ?? 0) ^ ($error['actual'] ?? 0);
            $own = array_merge(...array_column($bank['chips'], 'bits'));
            $bits = isset($error['parity']) ? [] : array_filter($own, static fn (int $bit): bool => ($xor >> $bit & 1) === 1);
        }

        return array_values(array_map(static fn (int|string $bit): string => "{$bank['name']}/{$bit}", $bits));
    }

    /**
     * @param PlainBank $bank
     *
     * @return list<string>
     */
    private static function all(array $bank): array
    {
        $bits = array_merge(...array_column($bank['chips'], 'bits'));
        $bank['parity'] === null ?: $bits[] = 'P';

        return array_map(static fn (int|string $bit): string => "{$bank['name']}/{$bit}", $bits);
    }

    /**
     * @param list<string> $seen
     * @param list<string> $told without what only stopped
     *
     * @return list<Hypothesis>
     */
    private function parts(array $seen, array $told): array
    {
        $found = [];
        $say = static function (string $kind, array $predicts, float $prior) use (&$found): void {
            $found[] = ['kind' => $kind, 'predicts' => array_values($predicts), 'prior' => $prior, 'strong' => false];
        };
        $banks = array_filter($this->banks, fn (array $bank): bool => in_array($bank['name'], $this->tested, true));
        $pairs = array_merge(...array_map(self::all(...), array_values($banks)));
        $hit = [];
        foreach ($banks as $bank) {
            foreach ([...array_column($bank['chips'], 'bits'), ...($bank['parity'] === null ? [] : [['P']])] as $bits) {
                $chip = array_map(static fn (int|string $bit): string => "{$bank['name']}/{$bit}", $bits);
                $say('chip', $chip, 10);
                foreach (count($chip) > 1 ? $chip : [] as $pair) {
                    $say('chip_part', [$pair], 3);
                }
                array_intersect($chip, $told) === [] ?: $hit[] = $chip;
            }
            $say('bank', self::all($bank), 3);
        }
        foreach ([...range(0, $this->wordBits - 1), 'P'] as $bit) {
            $line = array_filter($pairs, static fn (string $pair): bool => str_ends_with($pair, "/{$bit}"));
            $line === [] ?: $say('data_line', $line, 2);
        }
        $say('everything', $pairs, 2);
        count($hit) < 2 || count($hit) > 8 ?: $say('several_chips', array_merge(...$hit), 10 * 0.01 ** (count($hit) - 1));

        return $found;
    }

    /**
     * @param list<PlainError> $errors
     * @param list<string>     $seen
     *
     * @return list<Hypothesis>
     */
    private function lines(array $errors, array $seen): array
    {
        $errors = array_filter($errors, fn (array $it): bool => isset($it['address'], $it['actual']) && $this->pairsOf($it) !== null);
        $addresses = array_merge(...array_map(fn (array $bank): array => [$this->address($bank, 0), $this->address($bank, $bank['words'] - 1)], $this->banks));
        $tried = $shapes = [];
        for ($k = 0; min($addresses) >> $k !== max($addresses) >> $k; ++$k) {
            $tried[] = static fn (array $bank, int $address): array => [$address ^ 1 << $k];
        }
        foreach ($this->banks as $bank) {
            $shapes[] = $bank['row_bits'] === 0 ? null : [$bank['row_bits'], $bank['column_bits']];
        }
        foreach ($this->core ? [] : array_unique(array_filter($shapes), SORT_REGULAR) as [$rows, $columns]) {
            for ($j = 0; $j < min($rows, $columns); ++$j) {
                $both = 1 << $j | 1 << $j + $columns;
                $tried[] = fn (array $bank, int $address): array => [$bank['row_bits'], $bank['column_bits']] !== [$rows, $columns] ? []
                    : [$this->address($bank, $this->cell($bank, $address) | $both), $this->address($bank, $this->cell($bank, $address) & ~$both)];
            }
        }
        $found = [];
        foreach ($tried as $partners) {
            $count = 0;
            $matching = [];
            foreach ($errors as $error) {
                $others = array_filter(
                    $partners($this->bankOf($error['address']) ?? [], $error['address']),
                    fn (int $other): bool => $this->bankOf($other) !== null,
                );
                $count += $others === [] ? 0 : 1;
                if (in_array($error['actual'], array_map(fn (int $other): int => $this->word($other), $others), true)) {
                    $matching[] = ($error['expected'] ?? 0) ^ $error['actual'];
                }
            }
            if ($count >= 4 && count($matching) >= 0.95 * $count) {
                $found[] = ['kind' => 'address_line', 'predicts' => $seen, 'prior' => 2.0, 'strong' => count(array_unique($matching)) > 1];
            }
        }

        return $found;
    }

    /**
     * Errors of parity alone, one after the other, by the four rules of the description.
     *
     * @param list<PlainError>        $errors
     * @param list<list<string>|null> $fallen
     *
     * @return array{list<list<string>|null>, list<string>} where each falls now, and banks with a stop
     */
    private function withParity(array $errors, array $fallen): array
    {
        $of = fn (array $error): string => $this->bankOf($error['address'] ?? -1)['name'] ?? '';
        $open = $stops = [];
        $isOpen = static fn (int $i): bool => isset($errors[$i]['parity']) && $fallen[$i] !== null;
        $after = $fallen;
        foreach ($errors as $i => $error) {
            $bank = $this->bankOf($error['address'] ?? -1);
            if (!$isOpen($i) || ($bank['parity'] ?? null) === null) {
                continue;
            }
            $wrong = [];
            foreach ($errors as $j => $other) {
                if (!isset($other['parity']) && isset($other['address']) && $other['address'] === ($error['address'] ?? -1)) {
                    $wrong[] = count($fallen[$j] ?? []);
                }
            }
            $odd = array_filter($wrong, static fn (int $n): bool => $n % 2 === 1);
            if ($wrong === []) {
                $open[] = $i;
            } elseif ($odd === []) {
                $after[$i] = ["{$bank['name']}/P"];
            }
        }
        foreach ($open as $i) {
            $name = $of($errors[$i]);
            $others = array_filter(array_keys($errors), static fn (int $j): bool => !in_array($j, $open, true)
                && array_filter($after[$j] ?? [], static fn (string $pair): bool => str_starts_with($pair, "{$name}/")) !== []);
            if ($others === []) {
                $stops[] = $name;
                $fallen[$i] = ["{$name}/P"];
            }
        }
        foreach ($open as $i) {
            $after[$i] = $fallen[$i];
        }

        return [$after, array_values(array_unique($stops))];
    }

    /**
     * @param list<PlainError> $errors
     *
     * @return list<PlainError> every s-th
     */
    private function sampled(array $errors): array
    {
        $errors = array_values(array_filter($errors, fn (array $it): bool => isset($it['address'], $it['actual']) && $this->pairsOf($it) !== null));
        for ($step = 1; ceil(count($errors) / $step) > 4096; $step *= 5) {
        }

        return array_values(array_filter($errors, static fn (int $i): bool => $i % $step === 0, ARRAY_FILTER_USE_KEY));
    }

    /**
     * @param list<PlainError> $sample
     *
     * @return list<Hypothesis>
     */
    private function dataBridges(array $sample): array
    {
        $found = [];
        for ($j = 1; $j < $this->wordBits; ++$j) {
            for ($i = 0; $i < $j; ++$i) {
                $has = static fn (array $bank): bool => count(array_intersect(array_merge(...array_column($bank['chips'], 'bits')), [$i, $j])) === 2;
                [$ni, $nj, $m] = [0, 0, 0];
                foreach ($sample as $error) {
                    if (!$has($this->bankOf($error['address'] ?? -1) ?? ['chips' => [['bits' => []]]])) {
                        continue;
                    }
                    $wrong = array_map(static fn (string $pair): int => (int) explode('/', $pair)[1], $this->pairsOf($error) ?? []);
                    $ni += in_array($i, $wrong, true) ? 1 : 0;
                    $nj += in_array($j, $wrong, true) ? 1 : 0;
                    $reads = static fn (int $bit): int => ($error['actual'] ?? 0) >> $bit & 1;
                    $m += ($wrong === [$i] || $wrong === [$j]) && $reads($i) === $reads($j) ? 1 : 0;
                }
                if ($m >= 4 && $m >= 0.95 * ($ni + $nj) && min($ni, $nj) >= ($ni + $nj) / 10) {
                    $predicts = [];
                    foreach ($this->banks as $bank) {
                        if (in_array($bank['name'], $this->tested, true) && $has($bank)) {
                            array_push($predicts, "{$bank['name']}/{$i}", "{$bank['name']}/{$j}");
                        }
                    }
                    $found[] = ['kind' => 'data_bridge', 'predicts' => $predicts, 'prior' => 3.0, 'strong' => false];
                }
            }
        }

        return $found;
    }

    /**
     * @param list<PlainError> $sample
     * @param list<string>     $seen
     *
     * @return list<Hypothesis>
     */
    private function addressBridges(array $sample, array $seen): array
    {
        $addresses = array_merge(...array_map(fn (array $bank): array => [$this->address($bank, 0), $this->address($bank, $bank['words'] - 1)], $this->banks));
        $found = [];
        for ($lines = 0; min($addresses) >> $lines !== max($addresses) >> $lines; ++$lines) {
        }
        for ($l = 1; $l < $lines; ++$l) {
            for ($k = 0; $k < $l; ++$k) {
                foreach (['or', 'and'] as $op) {
                    $count = 0;
                    $matching = [];
                    foreach ($sample as $error) {
                        $at = $error['address'] ?? 0;
                        $base = $at & ~(1 << $k) & ~(1 << $l);
                        $four = [$base, $base | 1 << $k, $base | 1 << $l, $base | 1 << $k | 1 << $l];
                        $three = $op === 'or' ? [$four[1], $four[2], $four[3]] : [$four[0], $four[1], $four[2]];
                        if (in_array($at, $three, true) && $this->bankOf($op === 'or' ? $four[3] : $four[0]) === null) {
                            continue;
                        }
                        ++$count;
                        $last = max(array_filter($three, fn (int $it): bool => $this->bankOf($it) !== null) ?: [-1]);
                        if (in_array($at, $three, true) && $at !== $last && $this->word($last) === ($error['actual'] ?? 0)) {
                            $matching[] = [$at >> $k & 1, ($error['expected'] ?? 0) ^ ($error['actual'] ?? 0)];
                        }
                    }
                    $set = array_sum(array_column($matching, 0));
                    if (count($matching) >= 4 && count($matching) >= 0.95 * $count && min($set, count($matching) - $set) >= count($matching) / 10) {
                        $found[] = [
                            'kind' => 'address_bridge', 'predicts' => $seen, 'prior' => 3.0,
                            'strong' => count(array_unique(array_column($matching, 1))) > 1,
                        ];
                    }
                }
            }
        }

        return $found;
    }

    /**
     * @param list<PlainError>        $errors
     * @param list<list<string>|null> $fallen
     * @param list<string>            $seen
     *
     * @return list<Hypothesis>
     */
    private function driveLines(array $errors, array $fallen, array $seen): array
    {
        $found = [];
        foreach ($this->core ? $this->banks : [] as $bank) {
            $here = array_filter(array_keys($errors), fn (int $i): bool => $fallen[$i] !== null && isset($errors[$i]['address'])
                && ($this->bankOf($errors[$i]['address'])['name'] ?? '') === $bank['name'] && !(isset($errors[$i]['parity']) && $bank['parity'] === null));
            foreach ($bank['row_bits'] === 0 ? [] : ['X', 'Y'] as $axis) {
                $on = [];
                foreach ($here as $i) {
                    $cell = $this->cell($bank, $errors[$i]['address'] ?? 0);
                    $on[$axis === 'X' ? $cell >> $bank['column_bits'] : $cell % 2 ** $bank['column_bits']][] = [$cell, $fallen[$i] ?? []];
                }
                foreach ($on as $those) {
                    $cells = count(array_unique(array_column($those, 0)));
                    $bits = count(array_unique(array_merge(...array_column($those, 1))));
                    if (count($those) >= 0.95 * count($here) && $cells >= 4 && $bits >= 2) {
                        $found[] = [
                            'kind' => 'drive_line', 'prior' => 20.0, 'strong' => false,
                            'predicts' => array_values(array_filter($seen, static fn (string $pair): bool => str_starts_with($pair, "{$bank['name']}/"))),
                        ];
                    }
                }
            }
        }

        return $found;
    }

    /**
     * @param list<PlainError> $errors
     *
     * @return array{found: list<array{string, float}>, matrix: array<string, int>, unmapped: int} suspects above 0.01, best first
     */
    public function locate(array $errors): array
    {
        [$fallen, $stops] = $this->withParity($errors, array_map($this->pairsOf(...), $errors));
        $mapped = array_filter($fallen, is_array(...));
        $matrix = array_count_values(array_merge(...array_values($mapped)));
        $seen = array_keys($matrix);
        $unmapped = count($fallen) - count($mapped);
        if ($seen === []) {
            return ['found' => [], 'matrix' => [], 'unmapped' => $unmapped];
        }
        $sample = $this->sampled($errors);
        $told = array_values(array_filter($seen, static fn (string $pair): bool => !in_array(explode('/', $pair)[0], $stops, true)));
        $all = [
            ...$this->parts($seen, $told), ...$this->dataBridges($sample), ...$this->driveLines($errors, $fallen, $seen),
            ...($this->pattern === 'none' ? [] : [...$this->lines($errors, $seen), ...$this->addressBridges($sample, $seen)]),
        ];
        $strong = array_filter($all, static fn (array $it): bool => $it['strong']) !== [];
        $less = static fn (array $it): float => $strong && !$it['strong'] && $it['kind'] !== 'data_bridge' ? 0.001 : 1.0;
        $weights = array_map(fn (array $it): float => $it['prior'] * $less($it) * $this->likelihood($it['predicts'], $seen, $stops), $all);
        $found = array_map(static fn (array $it, float $weight): array => [$it['kind'], $weight / array_sum($weights)], $all, $weights);
        usort($found, static fn (array $a, array $b): int => $b[1] <=> $a[1]);

        return ['found' => array_values(array_filter($found, static fn (array $it): bool => $it[1] > 0.01)), 'matrix' => $matrix, 'unmapped' => $unmapped];
    }

    /**
     * @param list<string> $predicted
     * @param list<string> $seen
     * @param list<string> $stops     banks of which only parity was looked at
     */
    private function likelihood(array $predicted, array $seen, array $stops): float
    {
        $likelihood = 1.0;
        foreach ($this->banks as $bank) {
            $stop = in_array($bank['name'], $stops, true);
            foreach (in_array($bank['name'], $this->tested, true) ? self::all($bank) : [] as $pair) {
                $here = in_array($pair, $seen, true);
                $foretold = in_array($pair, $predicted, true) || ($stop && array_intersect(self::all($bank), $predicted) !== []);
                $hidden = $pair === "{$bank['name']}/P" && !$here && array_intersect(self::all($bank), $seen) !== [];
                $likelihood *= match (true) {
                    $hidden, $stop && $pair !== "{$bank['name']}/P" => 1,
                    $foretold => $here ? 0.98 : 0.02,
                    default => $here ? 0.001 : 0.999,
                };
            }
        }

        return $likelihood;
    }
}
