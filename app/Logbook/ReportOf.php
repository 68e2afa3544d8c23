<?php

declare(strict_types=1);

namespace App\Logbook;

use Illuminate\Support\Collection;

/** The entries of a job that a report is made of. */
final readonly class ReportOf
{
    /** @param Collection<int, Entry> $standing in time order, without those that a later one corrects */
    public function __construct(public Job $job, private Collection $standing)
    {
    }

    /** @return Collection<int, Entry> */
    public function kind(string $kind): Collection
    {
        return $this->standing->filter(static fn (Entry $entry): bool => $entry->kind === $kind)->values();
    }
}
