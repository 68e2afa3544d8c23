<?php

declare(strict_types=1);

namespace App\Shelf;

use App\Bench\ChoiceCard;
use OpenApi\Attributes as OA;

/** The shelf, a page of it. */
#[OA\Schema]
final readonly class ShelfPage
{
    /**
     * @param list<ShelfCard>  $items
     * @param list<ChoiceCard> $kinds
     * @param list<ChoiceCard> $boards
     */
    public function __construct(
        #[OA\Property(type: 'array', items: new OA\Items(ref: ShelfCard::class))]
        public array $items,
        #[OA\Property(description: 'of what was asked for')]
        public int $count,
        #[OA\Property(description: 'cursor of the next page')]
        public ?string $next,
        #[OA\Property(type: 'array', items: new OA\Items(ref: ChoiceCard::class))]
        public array $kinds,
        #[OA\Property(type: 'array', items: new OA\Items(ref: ChoiceCard::class))]
        public array $boards,
    ) {
    }
}
