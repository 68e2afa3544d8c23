<?php

declare(strict_types=1);

namespace App\Memory;

use Ash\Memory\LineSort;
use OpenApi\Attributes as OA;

/** A line that the reader was taught. */
#[OA\Schema]
final readonly class TaughtLineCard
{
    public function __construct(
        #[OA\Property()]
        public string $id,
        #[OA\Property(enum: LineSort::class)]
        public LineSort $sort,
        #[OA\Property(description: 'in words')]
        public string $pattern,
        #[OA\Property()]
        public string $example,
        #[OA\Property(description: 'of which tester or machine')]
        public string $of,
        #[OA\Property()]
        public string $author,
        #[OA\Property()]
        public bool $active,
    ) {
    }
}
