<?php

declare(strict_types=1);

namespace App\Logbook;

use OpenApi\Attributes as OA;

/** What is on the bench now. */
#[OA\Schema]
final readonly class BenchPage
{
    /**
     * @param list<JobCard>      $jobs
     * @param list<OpenItemCard> $waiting
     * @param list<OpenItemCard> $hazards
     * @param list<OpenItemCard> $due
     * @param list<JobCard>      $recent
     */
    public function __construct(
        #[OA\Property(type: 'array', items: new OA\Items(ref: JobCard::class))]
        public array $jobs,
        #[OA\Property(description: 'open jobs beyond those listed')]
        public int $more_open,
        #[OA\Property(type: 'array', items: new OA\Items(ref: OpenItemCard::class))]
        public array $waiting,
        #[OA\Property(type: 'array', items: new OA\Items(ref: OpenItemCard::class))]
        public array $hazards,
        #[OA\Property(type: 'array', items: new OA\Items(ref: OpenItemCard::class), description: 'clock tests and re-checks, the next one first')]
        public array $due,
        #[OA\Property(type: 'array', items: new OA\Items(ref: JobCard::class), description: 'closed last')]
        public array $recent,
        #[OA\Property(description: 'of the disk, for a lead; null while there is room')]
        public ?string $disk,
    ) {
    }
}
