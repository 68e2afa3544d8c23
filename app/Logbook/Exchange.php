<?php

declare(strict_types=1);

namespace App\Logbook;

use Ash\Document\Node;
use Illuminate\Support\Collection;

/** A room's part of a board's record as a document. */
interface Exchange
{
    /** @return array<string, mixed> members of the document beside its entries */
    public function document(Board $board): array;

    /**
     * @param Collection<int, Entry> $entries
     *
     * @return array<string, array<string, mixed>> by entry: members of the entry in the document
     */
    public function entries(Board $board, Collection $entries): array;

    /**
     * What stands beside the entries comes in, before them.
     *
     * @param array<string, Job> $jobs of the document, by id
     *
     * @throws \Ash\Document\InvalidDocument
     */
    public function bring(Node $document, Board $board, array $jobs): void;

    /**
     * What stands in an entry that has just come in.
     *
     * @throws \Ash\Document\InvalidDocument
     */
    public function bringEntry(Node $node, Entry $entry, Board $board): void;
}
