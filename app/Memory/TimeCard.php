<?php

declare(strict_types=1);

namespace App\Memory;

use OpenApi\Attributes as OA;

/** How long a test takes. */
#[OA\Schema]
final readonly class TimeCard
{
    public function __construct(
        #[OA\Property()]
        public float $seconds,
        #[OA\Property()]
        public string $says,
    ) {
    }
}
