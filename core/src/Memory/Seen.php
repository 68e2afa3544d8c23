<?php

declare(strict_types=1);

namespace Ash\Memory;

/** Errors by bank and bit, as the record keeps them of a run. */
final readonly class Seen
{
    /** @param array<string, int> $errors by "bank, NUL, bit" */
    private function __construct(private Map $map, private array $errors)
    {
    }

    /** @param list<BitErrors> $matrix */
    public static function of(Map $map, array $matrix): self
    {
        $errors = [];
        foreach ($matrix as $row) {
            $errors["{$row->bank}\0{$row->bit}"] = $row->errors;
        }

        return new self($map, $errors);
    }

    /** @param array<array-key, array<array-key, int>> $matrix as a run keeps it, by bank and bit */
    public static function kept(Map $map, array $matrix): self
    {
        $errors = [];
        foreach ($matrix as $bank => $bits) {
            foreach ($bits as $bit => $count) {
                $errors["{$bank}\0{$bit}"] = $count;
            }
        }

        return new self($map, $errors);
    }

    /** @return array<array-key, array<array-key, int>> for keeping, by bank and bit */
    public function byBank(): array
    {
        $kept = [];
        foreach ($this->errors as $key => $count) {
            [$bank, $bit] = explode("\0", (string) $key);
            $kept[$bank][$bit] = $count;
        }

        return $kept;
    }

    public function at(string $bank, int $bit): int
    {
        return $this->errors["{$bank}\0".SuspectWords::bit($bit)] ?? 0;
    }

    /** Errors on the bits of a chip. */
    public function on(string $ref): int
    {
        [$bank, $chip] = $this->map->byRef["\0{$ref}"] ?? [0, -1];

        return array_sum(array_map(fn (int $bit): int => $this->at($this->map->banks[$bank]->name, $bit), $this->map->banks[$bank]->chips[$chip]->bits ?? []));
    }
}
