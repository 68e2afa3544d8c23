<?php

declare(strict_types=1);

namespace App\Memory;

use OpenApi\Attributes as OA;

/** What is fitted against what is counted. */
#[OA\Schema]
final readonly class SumCard
{
    /**
     * @param list<string> $explanations
     */
    public function __construct(
        #[OA\Property()]
        public string $says,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))]
        public array $explanations,
    ) {
    }
}
