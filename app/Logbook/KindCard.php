<?php

declare(strict_types=1);

namespace App\Logbook;

use OpenApi\Attributes as OA;

/** A kind of machine in a list. */
#[OA\Schema]
final readonly class KindCard
{
    public function __construct(
        #[OA\Property()]
        public string $id,
        #[OA\Property()]
        public string $slug,
        #[OA\Property()]
        public string $name,
        #[OA\Property()]
        public string $words,
        #[OA\Property(description: 'machines of it')]
        public int $machines,
    ) {
    }
}
