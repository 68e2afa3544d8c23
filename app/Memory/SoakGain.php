<?php

declare(strict_types=1);

namespace App\Memory;

use OpenApi\Attributes as OA;

/** What more clean passes would buy. */
#[OA\Schema]
final readonly class SoakGain
{
    public function __construct(
        #[OA\Property()]
        public string $says,
        #[OA\Property()]
        public float $upper,
    ) {
    }
}
