<?php

declare(strict_types=1);

namespace App\Memory;

use OpenApi\Attributes as OA;

/** A class of faults. */
#[OA\Schema]
final readonly class CoverageRow
{
    public function __construct(
        #[OA\Property()]
        public string $type,
        #[OA\Property()]
        public int $faults,
        #[OA\Property()]
        public int $detected,
        #[OA\Property()]
        public string $share,
    ) {
    }
}
