<?php

declare(strict_types=1);

namespace App\Logbook;

/** A row of the query builder, read with types. */
final readonly class Row
{
    /** @var array<string, mixed> */
    private array $columns;

    public function __construct(object $row)
    {
        $this->columns = get_object_vars($row);
    }

    public function string(string $column): string
    {
        return $this->text($column) ?? '';
    }

    public function text(string $column): ?string
    {
        $value = $this->columns[$column] ?? null;

        return is_scalar($value) ? (string) $value : null;
    }

    public function int(string $column): int
    {
        return (int) $this->string($column);
    }

    /** As the database writes it, never to be taken for a formula; empty for nothing. */
    public function figure(string $column): string|float
    {
        return $this->float($column) ?? '';
    }

    public function float(string $column): ?float
    {
        $value = $this->columns[$column] ?? null;

        return is_numeric($value) ? (float) $value : null;
    }
}
