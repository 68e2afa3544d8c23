<?php

declare(strict_types=1);

namespace App\Logbook;

use OpenApi\Attributes as OA;

/** A person's verdict over the product's. */
#[OA\Schema]
final readonly class OverruledCard
{
    public function __construct(
        #[OA\Property()]
        public string $says,
        #[OA\Property()]
        public string $reason,
        #[OA\Property()]
        public string $by,
    ) {
    }
}
