<?php

declare(strict_types=1);

namespace App\Logbook;

/** A table of a report. */
final readonly class ReportTable
{
    /**
     * @param list<string>                                $columns
     * @param list<array{cells: list<string>, bad: bool}> $rows    the last cell of a bad one is marked, in words too
     * @param list<string>                                $holds   kinds of entries that it holds whole, so that the course of the work leaves them out
     */
    public function __construct(public string $title, public array $columns, public array $rows, public array $holds)
    {
    }
}
