<?php

declare(strict_types=1);

namespace App\Memory;

use Ash\Memory\LineSort;
use OpenApi\Attributes as OA;

/** What a line can be, and what may be marked in it. */
#[OA\Schema]
final readonly class LineSortCard
{
    /** @param list<LineRoleCard> $roles */
    public function __construct(
        #[OA\Property(enum: LineSort::class)]
        public LineSort $value,
        #[OA\Property()]
        public string $words,
        #[OA\Property(type: 'array', items: new OA\Items(ref: LineRoleCard::class))]
        public array $roles,
    ) {
    }
}
