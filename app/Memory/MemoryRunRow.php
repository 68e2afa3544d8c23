<?php

declare(strict_types=1);

namespace App\Memory;

use OpenApi\Attributes as OA;

/** A kept test run in the list. */
#[OA\Schema]
final readonly class MemoryRunRow
{
    public function __construct(
        #[OA\Property()]
        public string $id,
        #[OA\Property()]
        public string $at,
        #[OA\Property()]
        public string $author,
        #[OA\Property()]
        public string $condition,
        #[OA\Property()]
        public string $pattern,
        #[OA\Property()]
        public int $errors,
        #[OA\Property()]
        public string $top,
        #[OA\Property(description: 'lines of it were not understood: it is not clean')]
        public bool $not_read,
        #[OA\Property()]
        public ?string $cut,
    ) {
    }
}
