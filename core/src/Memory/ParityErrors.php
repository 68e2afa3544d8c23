<?php

declare(strict_types=1);

namespace Ash\Memory;

/**
 * Errors that say only that a word of a bank is wrong. What they mean follows from what else is known of the bank when all have come:
 * beside data errors with an odd number of wrong bits the parity does its work; beside even ones P is wrong too; where the bank shows
 * another fault it is that one at work; else it is a stop, and any chip of the word may be bad.
 */
final class ParityErrors
{
    /** @var array<int, array<int, int>> by bank and address: parity errors */
    private array $at = [];

    /** @var array<int, array<int, int>> by bank and 32 addresses: two bits each, data errors with an even and with an odd number of wrong bits */
    private array $beside = [];

    public function data(int $bank, int $address, bool $odd): void
    {
        $page = $address >> 5;
        $this->beside[$bank][$page] = ($this->beside[$bank][$page] ?? 0) | 1 << (($address & 31) * 2 + ($odd ? 1 : 0));
    }

    public function parity(int $bank, int $address, int $times): void
    {
        $this->at[$bank][$address] = ($this->at[$bank][$address] ?? 0) + $times;
    }

    /** @return list<int> banks that have any */
    public function banks(): array
    {
        return array_keys($this->at);
    }

    /**
     * @return array<int, array{int, bool}> by cell: parity errors, and whether they fall on the parity column
     */
    public function byCell(int $bank, Bank $of, bool $stops): array
    {
        $cells = [];
        foreach ($this->at[$bank] ?? [] as $address => $count) {
            $beside = ($this->beside[$bank][$address >> 5] ?? 0) >> (($address & 31) * 2) & 3;
            $cells[$of->cell($address)] = [$count, $beside === 1 || ($stops && $beside === 0)];
        }

        return $cells;
    }

    /**
     * @param bool $seen another error falls on a pair of the bank
     *
     * @return array{work: int, falls: array<int, int>, stops: array<int, int>} errors that do parity's work; others by address
     */
    public function sorted(int $bank, bool $seen): array
    {
        $work = 0;
        $falls = $open = [];
        foreach ($this->at[$bank] ?? [] as $address => $count) {
            $beside = ($this->beside[$bank][$address >> 5] ?? 0) >> (($address & 31) * 2) & 3;
            if (($beside & 2) !== 0) {
                $work += $count;
            } elseif ($beside !== 0) {
                $falls[$address] = $count;
            } else {
                $open[$address] = $count;
            }
        }
        if ($seen || $falls !== []) {
            return ['work' => $work + array_sum($open), 'falls' => $falls, 'stops' => []];
        }

        return ['work' => $work, 'falls' => [], 'stops' => $open];
    }
}
