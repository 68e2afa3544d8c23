<?php

declare(strict_types=1);

namespace App\Memory;

use OpenApi\Attributes as OA;

/** What a memory test points at. */
#[OA\Schema]
final readonly class LocatedCard
{
    /**
     * @param list<MemorySuspect> $suspects
     * @param list<string>        $reasons
     */
    public function __construct(
        #[OA\Property(type: 'array', items: new OA\Items(ref: MemorySuspect::class))]
        public array $suspects,
        #[OA\Property()]
        public int $errors,
        #[OA\Property()]
        public int $unmapped,
        #[OA\Property()]
        public int $unexplained,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))]
        public array $reasons,
    ) {
    }
}
