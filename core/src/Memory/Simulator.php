<?php

declare(strict_types=1);

namespace Ash\Memory;

/**
 * A march test on a memory with faults. Cells that no fault touches behave perfectly and are never visited, so the cost follows
 * the number of faults and not the size of the memory.
 *
 * Invariant: $state holds the cells that some fault names, and nothing else decides what a read of their addresses gives.
 */
final class Simulator
{
    /** @var array<int, int> by cell */
    private array $state = [];

    /** @var array<int, CellFault> by the cell that has it */
    private array $faults = [];

    /** @var array<int, list<CellFault>> couplings by transition, by their aggressor */
    private array $coupled = [];

    /** @var list<CellFault> couplings by state */
    private array $held = [];

    /** @var array<int, list<int>> numbers of the couplings by state that a cell takes part in */
    private array $holding = [];

    /** @var array<int, true> numbers of those that may have to act: a cell of theirs has changed */
    private array $stirred = [];

    /** @param list<CellFault> $faults at most one a cell */
    public function __construct(private readonly MarchTest $test, array $faults)
    {
        foreach ($faults as $fault) {
            $this->faults[$fault->cell] = $fault;
            $this->state[$fault->cell] = 0;
            if ($fault->aggressor !== null) {
                $this->state[$fault->aggressor] = 0;
            }
            if ($fault->type === 'cfst') {
                $this->holding[$fault->cell][] = $this->holding[(int) $fault->aggressor][] = count($this->held);
                $this->held[] = $fault;
            } elseif ($fault->type === 'cfin' || $fault->type === 'cfid') {
                $this->coupled[(int) $fault->aggressor][] = $fault;
            }
        }
    }

    /** @return array{errors: int, first: array{element: int, operation: int, address: int}|null} of a run from a memory that holds $start everywhere */
    public function run(int $start): array
    {
        $this->begin($start);
        $up = array_keys($this->state);
        sort($up);
        $down = array_reverse($up);
        $errors = 0;
        $first = null;
        foreach ($this->test->elements as $e => $element) {
            foreach ($element['down'] ? $down : $up as $address) {
                foreach ($element['operations'] as $o => $operation) {
                    if (!$operation['read']) {
                        $this->write($address, $operation['value']);
                    } elseif ($this->read($address) !== $operation['value']) {
                        ++$errors;
                        $first ??= ['element' => $e, 'operation' => $o, 'address' => $address];
                    }
                }
            }
        }

        return ['errors' => $errors, 'first' => $first];
    }

    /** Found from an all-zeros and from an all-ones start. */
    public function detects(): bool
    {
        return $this->run(0)['errors'] > 0 && $this->run(1)['errors'] > 0;
    }

    private function begin(int $start): void
    {
        foreach ($this->state as $cell => $_) {
            $this->state[$cell] = match ($this->faults[$cell]->type ?? '') {
                'saf0' => 0,
                'saf1' => 1,
                default => $start,
            };
        }
        $this->stirred = array_fill_keys(array_keys($this->held), true);
        $this->hold();
    }

    private function write(int $address, int $value): void
    {
        $fault = $this->faults[$address] ?? null;
        $cells = match ($fault?->type) {
            'af_none' => [],
            'af_shared' => [(int) $fault->aggressor],
            'af_multi' => [$address, (int) $fault->aggressor],
            default => [$address],
        };
        foreach ($cells as $cell) {
            $this->store($cell, $value);
        }
        $this->hold();
    }

    private function read(int $address): int
    {
        $fault = $this->faults[$address] ?? null;
        $own = $this->state[$address];

        return match ($fault?->type) {
            'af_none' => (int) $fault->value,
            'af_shared' => $this->state[(int) $fault->aggressor],
            'af_multi' => $fault->value === 'and' ? $own & $this->state[(int) $fault->aggressor] : $own | $this->state[(int) $fault->aggressor],
            default => $own,
        };
    }

    /** What a write does to a cell, and what its transition does to the cells that it aggresses. */
    private function store(int $cell, int $value): void
    {
        $old = $this->state[$cell];
        $new = match ($this->faults[$cell]->type ?? '') {
            'saf0' => 0,
            'saf1' => 1,
            'tf_up' => $old & $value,
            'tf_down' => $old | $value,
            default => $value,
        };
        if ($new === $old) {
            return;
        }
        $this->set($cell, $new);
        foreach ($this->coupled[$cell] ?? [] as $fault) {
            if ($fault->when === $new) {
                $this->set($fault->cell, $fault->type === 'cfin' ? 1 - $this->state[$fault->cell] : (int) $fault->value);
            }
        }
    }

    private function set(int $cell, int $value): void
    {
        $this->state[$cell] = $value;
        foreach ($this->holding[$cell] ?? [] as $number) {
            $this->stirred[$number] = true;
        }
    }

    /** Each coupling by state acts once, in their order; what the later ones change, the earlier ones follow after the next write. */
    private function hold(): void
    {
        if ($this->stirred === []) {
            return;
        }
        /** @var \SplMinHeap<int> $now */
        $now = new \SplMinHeap();
        foreach ($this->stirred as $number => $_) {
            $now->insert($number);
        }
        $this->stirred = [];
        $done = -1;
        while (!$now->isEmpty()) {
            $number = $now->extract();
            $fault = $this->held[$number];
            if ($number === $done || $this->state[(int) $fault->aggressor] !== $fault->when || $this->state[$fault->cell] === (int) $fault->value) {
                continue;
            }
            $done = $number;
            $this->state[$fault->cell] = (int) $fault->value;
            foreach ($this->holding[$fault->cell] as $other) {
                $other > $number ? $now->insert($other) : $this->stirred[$other] = true;
            }
        }
    }
}
