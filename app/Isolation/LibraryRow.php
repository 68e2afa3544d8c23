<?php

declare(strict_types=1);

namespace App\Isolation;

use OpenApi\Attributes as OA;

/** A symptom of the library in its list. */
#[OA\Schema]
final readonly class LibraryRow
{
    public function __construct(
        #[OA\Property]
        public string $id,
        #[OA\Property]
        public string $name,
        #[OA\Property]
        public int $causes,
        #[OA\Property]
        public int $tests,
        #[OA\Property(description: '0: as it ships')]
        public int $revision,
    ) {
    }
}
