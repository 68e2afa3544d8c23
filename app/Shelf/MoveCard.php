<?php

declare(strict_types=1);

namespace App\Shelf;

use OpenApi\Attributes as OA;

/** A change of a quantity. */
#[OA\Schema]
final readonly class MoveCard
{
    public function __construct(
        #[OA\Property()]
        public string $at,
        #[OA\Property()]
        public int $change,
        #[OA\Property()]
        public string $why,
        #[OA\Property()]
        public ?string $note,
        #[OA\Property()]
        public string $author,
        #[OA\Property()]
        public ?string $job_id,
    ) {
    }
}
