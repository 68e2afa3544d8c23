<?php

declare(strict_types=1);

namespace App\Logbook;

use OpenApi\Attributes as OA;

/** What a merge does, or did. */
#[OA\Schema]
final readonly class MergeCard
{
    /**
     * @param list<string> $conflicts
     * @param list<string> $moves
     */
    public function __construct(
        #[OA\Property()]
        public bool $done,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'), description: 'where both say something, and what stays')]
        public array $conflicts,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'), description: 'what comes over')]
        public array $moves,
    ) {
    }
}
