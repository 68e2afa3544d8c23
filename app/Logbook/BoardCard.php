<?php

declare(strict_types=1);

namespace App\Logbook;

use OpenApi\Attributes as OA;

/** A board. */
#[OA\Schema]
final readonly class BoardCard
{
    public function __construct(
        #[OA\Property()]
        public string $id,
        #[OA\Property()]
        public string $slot,
        #[OA\Property()]
        public string $name,
        #[OA\Property()]
        public ?string $serial,
    ) {
    }
}
