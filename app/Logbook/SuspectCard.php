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
    ) {
    }
}
