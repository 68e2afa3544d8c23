<?php

declare(strict_types=1);

namespace App\Logbook;

use OpenApi\Attributes as OA;

/** A kind in a list. */
#[OA\Schema]
final readonly class KindCard
{
    public function __construct(
        #[OA\Property()]
        public string $id,
        #[OA\Property()]
        public string $slug,
        #[OA\Property()]
        public string $name,
        #[OA\Property()]
        public string $words,
        #[OA\Property(description: 'machines of it; boards, of a kind of board')]
        public int $machines,
        #[OA\Property(description: 'a kind of board, not of machine')]
        public bool $of_board,
    ) {
    }
}
