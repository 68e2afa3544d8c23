<?php

declare(strict_types=1);

namespace App\Memory;

use OpenApi\Attributes as OA;

/** Two runs side by side. */
#[OA\Schema]
final readonly class ComparisonCard
{
    /**
     * @param list<ComparedRow> $rows
     * @param list<string>      $says
     */
    public function __construct(
        #[OA\Property(type: 'array', items: new OA\Items(ref: ComparedRow::class))]
        public array $rows,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))]
        public array $says,
    ) {
    }
}
