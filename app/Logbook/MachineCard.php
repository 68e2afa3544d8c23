<?php

declare(strict_types=1);

namespace App\Logbook;

use OpenApi\Attributes as OA;

/** A machine in a list. */
#[OA\Schema]
final readonly class MachineCard
{
    /**
     * @param list<BoardCard> $boards
     */
    public function __construct(
        #[OA\Property()]
        public string $id,
        #[OA\Property()]
        public string $slug,
        #[OA\Property()]
        public string $name,
        #[OA\Property()]
        public string $kind,
        #[OA\Property(type: 'array', items: new OA\Items(ref: BoardCard::class))]
        public array $boards,
        #[OA\Property()]
        public string $kind_id,
        #[OA\Property()]
        public ?string $serial,
        #[OA\Property()]
        public ?string $owner,
    ) {
    }
}
