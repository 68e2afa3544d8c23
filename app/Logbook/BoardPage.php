<?php

declare(strict_types=1);

namespace App\Logbook;

use OpenApi\Attributes as OA;

/** Everything that ever happened to a board. */
#[OA\Schema]
final readonly class BoardPage
{
    /**
     * @param list<JobCard>       $jobs
     * @param list<OpenItemCard>  $hazards
     * @param list<EntryCard>     $entries
     * @param list<PhotoCard>     $photos
     * @param list<BoardMoveCard> $moves
     */
    public function __construct(
        #[OA\Property()]
        public BoardCard $board,
        #[OA\Property()]
        public string $machine,
        #[OA\Property()]
        public string $machine_id,
        #[OA\Property(type: 'array', items: new OA\Items(ref: JobCard::class))]
        public array $jobs,
        #[OA\Property(type: 'array', items: new OA\Items(ref: OpenItemCard::class))]
        public array $hazards,
        #[OA\Property(type: 'array', items: new OA\Items(ref: EntryCard::class), description: 'latest first')]
        public array $entries,
        #[OA\Property(description: 'cursor of the next page')]
        public ?string $next_before,
        #[OA\Property(type: 'array', items: new OA\Items(ref: PhotoCard::class), description: 'the latest, in time order')]
        public array $photos,
        #[OA\Property(description: 'cursor of earlier ones; null: there are none')]
        public ?string $photos_before,
        #[OA\Property(type: 'array', items: new OA\Items(ref: BoardMoveCard::class), description: 'where it has been, latest first')]
        public array $moves,
        #[OA\Property(description: 'in no machine')]
        public bool $on_shelf,
        #[OA\Property()]
        public string $kind_id,
        #[OA\Property()]
        public string $kind,
    ) {
    }
}
