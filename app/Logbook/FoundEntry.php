<?php

declare(strict_types=1);

namespace App\Logbook;

use OpenApi\Attributes as OA;

/** An entry that was searched for. */
#[OA\Schema]
final readonly class FoundEntry
{
    public function __construct(
        #[OA\Property()]
        public string $id,
        #[OA\Property(format: 'date-time')]
        public string $at,
        #[OA\Property()]
        public string $says,
    ) {
    }
}
