<?php

declare(strict_types=1);

namespace App\Logbook;

use OpenApi\Attributes as OA;

/** A source that proved wrong. */
#[OA\Schema]
final readonly class SourceNoteCard
{
    public function __construct(
        #[OA\Property()]
        public string $source,
        #[OA\Property()]
        public string $note,
    ) {
    }
}
