<?php

declare(strict_types=1);

namespace App\Logbook;

use OpenApi\Attributes as OA;

/** What an import brought. */
#[OA\Schema]
final readonly class Imported
{
    public function __construct(
        #[OA\Property()]
        public string $id,
        #[OA\Property()]
        public string $name,
        #[OA\Property(description: 'new entries')]
        public int $entries,
    ) {
    }
}
