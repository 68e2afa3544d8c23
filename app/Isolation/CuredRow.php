<?php

declare(strict_types=1);

namespace App\Isolation;

use OpenApi\Attributes as OA;

/** What closed jobs turned out to be. */
#[OA\Schema]
final readonly class CuredRow
{
    public function __construct(
        #[OA\Property()]
        public string $words,
        #[OA\Property()]
        public int $jobs,
        #[OA\Property()]
        public string $percent,
        #[OA\Property()]
        public string $interval,
    ) {
    }
}
