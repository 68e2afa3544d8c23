<?php

declare(strict_types=1);

namespace App\Batteries;

use OpenApi\Attributes as OA;

/** From the end of a cell's life to fresh, against the retention limits, as shares of a strip's width. */
#[OA\Schema]
final readonly class SpanCard
{
    public function __construct(
        #[OA\Property(type: 'number')]
        public float $low,
        #[OA\Property(type: 'number')]
        public float $high,
        #[OA\Property(type: 'number')]
        public float $end,
        #[OA\Property(type: 'number')]
        public float $fresh,
    ) {
    }
}
