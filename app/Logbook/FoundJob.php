<?php

declare(strict_types=1);

namespace App\Logbook;

use OpenApi\Attributes as OA;

/** A job that was searched for. */
#[OA\Schema]
final readonly class FoundJob
{
    /** @param list<FoundEntry> $entries */
    public function __construct(
        #[OA\Property()]
        public JobCard $job,
        #[OA\Property(type: 'array', items: new OA\Items(ref: FoundEntry::class), description: 'the latest that hold one of the words')]
        public array $entries,
    ) {
    }
}
