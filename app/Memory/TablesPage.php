<?php

declare(strict_types=1);

namespace App\Memory;

use OpenApi\Attributes as OA;

/** Chips and tests that the product knows. */
#[OA\Schema]
final readonly class TablesPage
{
    /**
     * @param list<ChipCard>  $chips
     * @param list<MarchCard> $tests
     */
    public function __construct(
        #[OA\Property(type: 'array', items: new OA\Items(ref: ChipCard::class))]
        public array $chips,
        #[OA\Property(type: 'array', items: new OA\Items(ref: MarchCard::class))]
        public array $tests,
        #[OA\Property()]
        public string $source,
    ) {
    }
}
