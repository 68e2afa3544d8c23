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
    public function __construct(private readonly int $wordBits, private readonly array $banks, private readonly array $tested, private readonly string $pattern)
    {
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
     * @return list<string>|null the pairs it falls on; null when it is unmapped
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
            $bits = isset($error['parity'])
                ? ($bank['parity'] === null ? [] : ['P'])
                : array_filter(range(0, $this->wordBits - 1), static fn (int $bit): bool => ($xor >> $bit & 1) === 1);
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
     *
     * @return list<Hypothesis>
     */
    private function parts(array $seen): array
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
                array_intersect($chip, $seen) === [] ?: $hit[] = $chip;
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
        foreach (array_unique(array_filter($shapes), SORT_REGULAR) as [$rows, $columns]) {
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
     * @param list<PlainError> $errors
     *
     * @return array{found: list<array{string, float}>, matrix: array<string, int>, unmapped: int} suspects above 0.01, best first
     */
    public function locate(array $errors): array
    {
        $fallen = array_map($this->pairsOf(...), $errors);
        $mapped = array_filter($fallen, is_array(...));
        $matrix = array_count_values(array_merge(...array_values($mapped)));
        $seen = array_keys($matrix);
        $unmapped = count($fallen) - count($mapped);
        if ($seen === []) {
            return ['found' => [], 'matrix' => [], 'unmapped' => $unmapped];
        }
        $all = [...$this->parts($seen), ...($this->pattern === 'none' ? [] : $this->lines($errors, $seen))];
        $strong = array_filter($all, static fn (array $it): bool => $it['strong']) !== [];
        $weights = array_map(fn (array $it): float => $it['prior'] * ($strong && !$it['strong'] ? 0.001 : 1) * $this->likelihood($it['predicts'], $seen), $all);
        $found = array_map(static fn (array $it, float $weight): array => [$it['kind'], $weight / array_sum($weights)], $all, $weights);
        usort($found, static fn (array $a, array $b): int => $b[1] <=> $a[1]);

        return ['found' => array_values(array_filter($found, static fn (array $it): bool => $it[1] > 0.01)), 'matrix' => $matrix, 'unmapped' => $unmapped];
    }

    /**
     * @param list<string> $predicted
     * @param list<string> $seen
     */
    private function likelihood(array $predicted, array $seen): float
    {
        $likelihood = 1.0;
        foreach ($this->banks as $bank) {
            foreach (in_array($bank['name'], $this->tested, true) ? self::all($bank) : [] as $pair) {
                [$here, $foretold] = [in_array($pair, $seen, true), in_array($pair, $predicted, true)];
                $hidden = $pair === "{$bank['name']}/P" && !$here && array_intersect(self::all($bank), $seen) !== [];
                $likelihood *= match (true) {
                    $hidden => 1,
                    $foretold => $here ? 0.98 : 0.02,
                    default => $here ? 0.001 : 0.999,
                };
            }
        }

        return $likelihood;
    }
}
