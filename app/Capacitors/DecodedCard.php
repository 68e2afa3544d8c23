<?php

declare(strict_types=1);

namespace App\Capacitors;

use OpenApi\Attributes as OA;

/** What a marking may mean. */
#[OA\Schema]
final readonly class DecodedCard
{
    public function __construct(
        #[OA\Property()]
        public string $says,
        #[OA\Property()]
        public float $marked_f,
        #[OA\Property()]
        public ?float $rated_v,
        #[OA\Property()]
        public ?float $minus_pct,
        #[OA\Property()]
        public ?float $plus_pct,
        #[OA\Property()]
        public string $scheme,
        #[OA\Property(description: 'preferred series that has the value; null when it is none')]
        public ?string $series,
    ) {
    }
}
