<?php

declare(strict_types=1);

namespace App\Logbook;

use OpenApi\Attributes as OA;

/** What is suspected, and why. */
#[OA\Schema]
final readonly class SuspectCard
{
    public function __construct(
        #[OA\Property()]
        public string $text,
        #[OA\Property()]
        public string $why,
        #[OA\Property(description: 'how likely, where a model says so')]
        public ?string $percent = null,
        #[OA\Property(description: 'against all that is known of the symptom')]
        public bool $weighed = false,
        #[OA\Property(description: 'says more of the one before it')]
        public bool $under = false,
    ) {
    }
}
