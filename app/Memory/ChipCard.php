<?php

declare(strict_types=1);

namespace App\Memory;

use OpenApi\Attributes as OA;

/** A chip type of the catalogue. */
#[OA\Schema]
final readonly class ChipCard
{
    public function __construct(
        #[OA\Property()]
        public string $type,
        #[OA\Property()]
        public string $words,
    ) {
    }
}
