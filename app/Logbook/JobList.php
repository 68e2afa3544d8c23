<?php

declare(strict_types=1);

namespace App\Logbook;

use OpenApi\Attributes as OA;

/** Jobs, newest first. */
#[OA\Schema]
final readonly class JobList
{
    /**
     * @param list<JobCard> $jobs
     */
    public function __construct(
        #[OA\Property(type: 'array', items: new OA\Items(ref: JobCard::class))]
        public array $jobs,
        #[OA\Property(description: 'cursor of the next page')]
        public ?string $next_before,
    ) {
    }
}
