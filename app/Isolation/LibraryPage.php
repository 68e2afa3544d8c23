<?php

declare(strict_types=1);

namespace App\Isolation;

use OpenApi\Attributes as OA;

/** A symptom of the library as it stands, or stood, and its revisions. */
#[OA\Schema]
final readonly class LibraryPage
{
    /**
     * @param \stdClass             $document
     * @param list<LibraryRevision> $revisions the last first
     */
    public function __construct(
        #[OA\Property(ref: '#/components/schemas/LibraryDocument')]
        public object $document,
        #[OA\Property(description: 'that stands; 0: as it ships')]
        public int $revision,
        #[OA\Property(description: 'that this document is of')]
        public int $shown,
        #[OA\Property(type: 'array', items: new OA\Items(ref: LibraryRevision::class))]
        public array $revisions,
    ) {
    }
}
