<?php

declare(strict_types=1);

namespace App\Rails;

use OpenApi\Attributes as OA;

/** A probe run of a job. */
#[OA\Schema]
final readonly class RunCard
{
    public function __construct(
        #[OA\Property()]
        public string $id,
        #[OA\Property()]
        public string $started_at,
        #[OA\Property()]
        public string $author,
        #[OA\Property()]
        public int $readings,
        #[OA\Property()]
        public ?string $repeats_id,
    ) {
    }
}
