<?php

declare(strict_types=1);

namespace App\Memory;

use OpenApi\Attributes as OA;

/** A point of the bound's curve. */
#[OA\Schema]
final readonly class SoakPoint
{
    public function __construct(
        #[OA\Property()]
        public int $passes,
        #[OA\Property()]
        public float $upper,
        #[OA\Property(description: 'where the soak stands')]
        public bool $here,
    ) {
    }
}
