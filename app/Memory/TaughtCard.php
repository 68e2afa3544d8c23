<?php

declare(strict_types=1);

namespace App\Memory;

use OpenApi\Attributes as OA;

/** What a pattern is, and what it makes of the text it was taught from. */
#[OA\Schema]
final readonly class TaughtCard
{
    /** @param list<string> $fits the first lines that it fits */
    public function __construct(
        #[OA\Property(description: 'in words')]
        public string $pattern,
        #[OA\Property()]
        public int $lines,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))]
        public array $fits,
        #[OA\Property()]
        public string $says,
        #[OA\Property()]
        public SourceCard $source,
    ) {
    }
}
