<?php

declare(strict_types=1);

namespace App\Memory;

use OpenApi\Attributes as OA;

/** What a machine counts against what its map says is fitted. */
#[OA\Schema]
final readonly class CountedCard
{
    /** @param list<string> $says */
    public function __construct(
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'), description: 'the verdict first')]
        public array $says,
    ) {
    }
}
