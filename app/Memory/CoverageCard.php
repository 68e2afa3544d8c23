<?php

declare(strict_types=1);

namespace App\Memory;

use OpenApi\Attributes as OA;

/** What a march test finds on a small memory, by enumeration. */
#[OA\Schema]
final readonly class CoverageCard
{
    /**
     * @param list<CoverageRow> $rows
     */
    public function __construct(
        #[OA\Property(type: 'array', items: new OA\Items(ref: CoverageRow::class))]
        public array $rows,
        #[OA\Property()]
        public int $operations,
    ) {
    }
}
