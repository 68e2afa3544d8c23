<?php

declare(strict_types=1);

namespace App\Isolation;

use OpenApi\Attributes as OA;

/** What a library file changed. */
#[OA\Schema]
final readonly class LibraryChanged
{
    /**
     * @param list<string> $changed identifiers of symptoms
     * @param list<string> $evened  rows of likelihoods that did not sum to one
     */
    public function __construct(
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))]
        public array $changed,
        #[OA\Property(description: 'symptoms that stand already as the file says')]
        public int $same,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))]
        public array $evened,
    ) {
    }
}
