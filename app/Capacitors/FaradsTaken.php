<?php

declare(strict_types=1);

namespace App\Capacitors;

use OpenApi\Attributes as OA;

/** What the meter gave in farads. */
#[OA\Schema]
final readonly class FaradsTaken
{
    public function __construct(
        #[OA\Property()]
        public string $state,
        #[OA\Property()]
        public string $words,
    ) {
    }
}
