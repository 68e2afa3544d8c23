<?php

declare(strict_types=1);

namespace App\Logbook;

use OpenApi\Attributes as OA;

/** A page of boards by name, wherever they are. */
#[OA\Schema]
final readonly class BoardList
{
    /** @param list<BoardRow> $boards */
    public function __construct(
        #[OA\Property(type: 'array', items: new OA\Items(ref: BoardRow::class))]
        public array $boards,
        #[OA\Property(description: 'cursor of the next page')]
        public ?string $next_after,
    ) {
    }
}
