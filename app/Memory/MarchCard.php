<?php

declare(strict_types=1);

namespace App\Memory;

use OpenApi\Attributes as OA;

/** A march test. */
#[OA\Schema]
final readonly class MarchCard
{
    public function __construct(
        #[OA\Property()]
        public string $name,
        #[OA\Property()]
        public string $march,
        #[OA\Property()]
        public int $operations,
        #[OA\Property()]
        public string $covers,
    ) {
    }
}
