<?php

declare(strict_types=1);

namespace App\Isolation;

use OpenApi\Attributes as OA;

/** A condition under which failures were counted. */
#[OA\Schema]
final readonly class CountedUnder
{
    public function __construct(
        #[OA\Property()]
        public string $name,
        #[OA\Property()]
        public int $failures,
        #[OA\Property()]
        public int $trials,
        #[OA\Property()]
        public string $percent,
    ) {
    }
}
