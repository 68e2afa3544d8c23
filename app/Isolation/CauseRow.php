<?php

declare(strict_types=1);

namespace App\Isolation;

use OpenApi\Attributes as OA;

/** A known cause of the symptom. */
#[OA\Schema]
final readonly class CauseRow
{
    public function __construct(
        #[OA\Property()]
        public string $words,
        #[OA\Property(description: 'that is bad; null when no part is')]
        public ?string $part,
        #[OA\Property()]
        public string $shows,
        #[OA\Property()]
        public float $probability,
        #[OA\Property()]
        public string $percent,
    ) {
    }
}
