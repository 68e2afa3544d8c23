<?php

declare(strict_types=1);

namespace App\Logbook;

use OpenApi\Attributes as OA;

/** An item that came out. */
#[OA\Schema]
final readonly class StripRow
{
    public function __construct(
        #[OA\Property(description: 'the entry')]
        public string $id,
        #[OA\Property()]
        public string $what,
        #[OA\Property()]
        public string $says,
        #[OA\Property(description: 'its fixings, as a line that can be corrected: "6 M4x8, 2 M3x6"')]
        public string $fixings,
        #[OA\Property()]
        public bool $ticked,
    ) {
    }
}
