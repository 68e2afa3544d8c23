<?php

declare(strict_types=1);

namespace App\Rails;

use OpenApi\Attributes as OA;

/** What a small computation says, in words. */
#[OA\Schema]
final readonly class ToldCard
{
    /** @param list<string> $reasons */
    public function __construct(
        #[OA\Property(enum: ['good', 'care', 'bad'])]
        public string $tone,
        #[OA\Property()]
        public string $says,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))]
        public array $reasons,
    ) {
    }
}
