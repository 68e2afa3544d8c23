<?php

declare(strict_types=1);

namespace App\Instruments;

use OpenApi\Attributes as OA;

/** A meter. */
#[OA\Schema]
final readonly class MeterCard
{
    public function __construct(
        #[OA\Property()]
        public string $id,
        #[OA\Property()]
        public string $name,
        #[OA\Property()]
        public string $host,
        #[OA\Property()]
        public int $port,
        #[OA\Property()]
        public float $reading_pct,
        #[OA\Property()]
        public float $counts,
        #[OA\Property()]
        public float $resolution_v,
        #[OA\Property()]
        public bool $standin,
        #[OA\Property()]
        public bool $active,
    ) {
    }
}
