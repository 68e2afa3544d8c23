<?php

declare(strict_types=1);

namespace App\Shelf;

use OpenApi\Attributes as OA;

/** What all open jobs want. */
#[OA\Schema]
final readonly class ShoppingPage
{
    /**
     * @param list<ShoppingRow> $rows
     * @param list<string>      $low
     */
    public function __construct(
        #[OA\Property(type: 'array', items: new OA\Items(ref: ShoppingRow::class))]
        public array $rows,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'), description: 'what runs low on the shelf')]
        public array $low,
    ) {
    }
}
