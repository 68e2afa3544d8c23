<?php

declare(strict_types=1);

namespace App\Shelf;

use App\Bench\ChoiceCard;
use OpenApi\Attributes as OA;

/** Parts of one sort, with their history. */
#[OA\Schema]
final readonly class ShelfItemPage
{
    /**
     * @param list<ReservationCard> $reservations
     * @param list<MoveCard>        $moves
     * @param list<ChoiceCard>      $jobs
     * @param array<string, string> $fields
     * @param list<ChoiceCard>      $kinds
     * @param list<ChoiceCard>      $boards
     */
    public function __construct(
        #[OA\Property()]
        public ShelfCard $item,
        #[OA\Property(type: 'array', items: new OA\Items(ref: ReservationCard::class))]
        public array $reservations,
        #[OA\Property(type: 'array', items: new OA\Items(ref: MoveCard::class))]
        public array $moves,
        #[OA\Property(type: 'array', items: new OA\Items(ref: ChoiceCard::class), description: 'open jobs')]
        public array $jobs,
        #[OA\Property(
            type: 'object',
            additionalProperties: new OA\AdditionalProperties(type: 'string'),
            description: 'as they are written down, for the form that changes them',
        )]
        public array $fields,
        #[OA\Property(type: 'array', items: new OA\Items(ref: ChoiceCard::class), description: 'kinds of capacitor')]
        public array $kinds,
        #[OA\Property(type: 'array', items: new OA\Items(ref: ChoiceCard::class), description: 'boards an original may come from')]
        public array $boards,
    ) {
    }
}
