<?php

declare(strict_types=1);

namespace Ash\Memory;

use Ash\Document\Node;

/** Errors by bank and bit, as the record keeps them of a run. */
final readonly class Seen
{
    /** @param array<string, int> $errors by "bank, NUL, bit" */
    private function __construct(private Map $map, private array $errors)
    {
    }

    /** @param list<array{bank: string, bit: int|string, errors: int}> $matrix */
    public static function of(Map $map, array $matrix): self
    {
        $errors = [];
        foreach ($matrix as $row) {
            $errors["{$row['bank']}\0{$row['bit']}"] = $row['errors'];
        }

        return new self($map, $errors);
    }

    /** From what was kept: {"bank": {"bit": errors}} */
    public static function kept(Map $map, Node $matrix): self
    {
        $errors = [];
        foreach ($matrix->members() as $bank => $bits) {
            foreach ($bits->members() as $bit => $count) {
                $errors["{$bank}\0{$bit}"] = $count->integer(0);
            }
        }

        return new self($map, $errors);
    }

    /** @return array<string, array<string, int>> for keeping */
    public function document(): array
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
