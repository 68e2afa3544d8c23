<?php

declare(strict_types=1);

namespace App\Shelf;

use OpenApi\Attributes as OA;

/** What a job has set aside. */
#[OA\Schema]
final readonly class ReservationCard
{
    public function __construct(
        #[OA\Property()]
        public string $id,
        #[OA\Property()]
        public string $job_id,
        #[OA\Property()]
        public string $job_label,
        #[OA\Property()]
        public int $quantity,
        #[OA\Property()]
        public string $author,
    ) {
    }
}
