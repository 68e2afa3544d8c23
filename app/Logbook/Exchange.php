<?php

declare(strict_types=1);

namespace App\Logbook;

use Ash\Document\Node;
use Illuminate\Database\Query\Builder;

/** A room's part of a board's record as a document, and its files in the archive. What a room does not bring it leaves as it is here. */
abstract class Exchange
{
    /** @return array<string, mixed> members of the document beside its entries */
    public function document(Board $board): array
    {
        return [];
    }

    /** @return array<string, mixed> more such members, of what has a file: in the archive only */
    public function filed(Board $board): array
    {
        return [];
    }

    /** @return array<string, string> in the archive: where a file lies, by its name there */
    public function files(Board $board): array
    {
        return [];
    }

    /** Joins what entry() needs to the entries of a record; it asks for no other row. */
    public function besideEntries(Builder $entries): void
    {
    }

    /** @return array<string, mixed> members of an entry in the document */
    public function entry(Row $row): array
    {
        return [];
    }

    /**
     * What takes long and needs no lock, before anything of the document comes in: files are looked at and made ready.
     *
     * @throws \Ash\Document\InvalidDocument
     */
    public function prepare(Node $document, BroughtFiles $files): void
    {
    }

    /**
     * What stands beside the entries comes in, before them.
     *
     * @param array<string, Job> $jobs of the document, by id
     *
     * @throws \Ash\Document\InvalidDocument
     */
    abstract public function bring(Node $document, Board $board, array $jobs, BroughtFiles $files): void;

    /**
     * What stands in an entry that has just come in.
     *
     * @throws \Ash\Document\InvalidDocument
     */
    public function bringEntry(Node $node, Entry $entry, Board $board): void
    {
    }
}
