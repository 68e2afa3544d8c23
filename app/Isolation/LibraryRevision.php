<?php

declare(strict_types=1);

namespace App\Isolation;

use OpenApi\Attributes as OA;

/** Who changed a symptom of the library, when, and why. */
#[OA\Schema]
final readonly class LibraryRevision
{
    public function __construct(
        #[OA\Property]
        public int $revision,
        #[OA\Property]
        public string $author,
        #[OA\Property(format: 'date-time')]
        public string $at,
        #[OA\Property]
        public string $why,
    ) {
    }
}
