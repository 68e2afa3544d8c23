<?php

declare(strict_types=1);

namespace App\Memory;

use OpenApi\Attributes as OA;

/** A line of a test as it was understood. */
#[OA\Schema]
final readonly class ReadLine
{
    /** @param list<string> $words */
    public function __construct(
        #[OA\Property()]
        public int $line,
        #[OA\Property()]
        public string $text,
        #[OA\Property()]
        public string $says,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'), description: 'as they are marked when the reader is taught')]
        public array $words,
    ) {
    }
}
