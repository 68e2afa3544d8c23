<?php

declare(strict_types=1);

namespace App\Shelf;

use OpenApi\Attributes as OA;

/** A label for a board, an original or a bag. */
#[OA\Schema]
final readonly class LabelCard
{
    /**
     * @param list<string> $lines
     */
    public function __construct(
        #[OA\Property()]
        public string $title,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))]
        public array $lines,
        #[OA\Property(description: 'what the code opens')]
        public string $url,
    ) {
    }
}
