<?php

declare(strict_types=1);

namespace App\Report;

/** A piece of a report: a table when it has columns, else a list or pictures. It can be cut between its rows. */
final readonly class Section
{
    /**
     * @param list<Row>    $rows
     * @param list<string> $columns
     * @param string       $before  a sentence above the rows
     */
    public function __construct(public string $title, public array $rows, public array $columns = [], public string $before = '')
    {
    }

    public function pictures(): bool
    {
        return ($this->rows[0]->pictures ?? []) !== [];
    }

    /** @param list<Row> $rows */
    public function with(array $rows): self
    {
        return new self($this->title, $rows, $this->columns, $this->before);
    }
}
