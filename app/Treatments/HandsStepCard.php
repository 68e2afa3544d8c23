<?php

declare(strict_types=1);

namespace App\Treatments;

use OpenApi\Attributes as OA;

/** A step of the hands in the plan of the bench. */
#[OA\Schema]
final readonly class HandsStepCard
{
    public function __construct(
        #[OA\Property(format: 'date-time')]
        public string $at,
        #[OA\Property(description: 'it may begin at once')]
        public bool $now,
        #[OA\Property]
        public string $text,
        #[OA\Property]
        public string $job_id,
        #[OA\Property]
        public string $job_label,
        #[OA\Property(description: 'how long, and whether that is assumed')]
        public string $minutes,
        #[OA\Property(description: 'why it is not earlier; null when only other work is before it')]
        public ?string $because,
    ) {
    }
}
