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
        #[OA\Property(description: 'what it is asked for ESR; null when it cannot')]
        public ?string $esr_query,
        #[OA\Property(description: 'what it is asked for tan delta; null when it cannot')]
        public ?string $tan_delta_query,
        #[OA\Property(description: 'Hz of both')]
        public ?float $loss_hz,
        #[OA\Property()]
        public bool $standin,
        #[OA\Property()]
        public bool $active,
    ) {
    }
}
