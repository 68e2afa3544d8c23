<?php

declare(strict_types=1);

namespace App\Memory;

use Ash\Memory\LineRole;
use OpenApi\Attributes as OA;

/** What a word of a line may be marked as, and the key for it. */
#[OA\Schema]
final readonly class LineRoleCard
{
    public function __construct(
        #[OA\Property(enum: LineRole::class)]
        public LineRole $value,
        #[OA\Property()]
        public string $words,
        #[OA\Property()]
        public string $key,
    ) {
    }
}
