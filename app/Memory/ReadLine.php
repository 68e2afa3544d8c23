<?php

declare(strict_types=1);

namespace App\Memory;

use OpenApi\Attributes as OA;

/** A line of a test as it was understood. */
#[OA\Schema]
final readonly class ReadLine
{
    public function __construct(
        #[OA\Property()]
        public int $line,
        #[OA\Property()]
        public string $text,
        #[OA\Property()]
        public string $says,
    ) {
    }
}
