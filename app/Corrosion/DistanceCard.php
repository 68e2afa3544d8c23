<?php

declare(strict_types=1);

namespace App\Corrosion;

use OpenApi\Attributes as OA;

#[OA\Schema]
final readonly class DistanceCard
{
    public function __construct(
        #[OA\Property()]
        public float $mm,
        #[OA\Property()]
        public string $says,
    ) {
    }
}
