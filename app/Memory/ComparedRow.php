<?php

declare(strict_types=1);

namespace App\Memory;

use OpenApi\Attributes as OA;

/** A bit in two runs. */
#[OA\Schema]
final readonly class ComparedRow
{
    public function __construct(
        #[OA\Property()]
        public string $bank,
        #[OA\Property()]
        public string $bit,
        #[OA\Property()]
        public string $ref,
        #[OA\Property()]
        public int $one,
        #[OA\Property()]
        public int $other,
        #[OA\Property()]
        public string $change,
        #[OA\Property()]
        public string $words,
    ) {
    }
}
