<?php

declare(strict_types=1);

namespace App\Isolation;

use OpenApi\Attributes as OA;

/** Two conditions compared. */
#[OA\Schema]
final readonly class TwoConditions
{
    public function __construct(
        #[OA\Property()]
        public string $words,
        #[OA\Property()]
        public bool $clue,
    ) {
    }
}
