<?php

declare(strict_types=1);

namespace App\Logbook;

use OpenApi\Attributes as OA;

/** An entry the record has taken. */
#[OA\Schema]
final readonly class EntryStored
{
    public function __construct(
        #[OA\Property()]
        public EntryCard $entry,
        #[OA\Property(description: 'false when the same entry was sent before')]
        public bool $created,
        #[OA\Property(description: 'why a line was kept as an observation only')]
        public ?string $doubt = null,
        #[OA\Property(description: 'what the same line says besides')]
        public ?string $also = null,
    ) {
    }
}
