<?php

declare(strict_types=1);

namespace App\Logbook;

use OpenApi\Attributes as OA;

/** One move of a board, as both sides' records show it. */
#[OA\Schema]
final readonly class BoardMoveCard
{
    public function __construct(
        #[OA\Property(format: 'date-time')]
        public string $at,
        #[OA\Property()]
        public string $author,
        #[OA\Property()]
        public string $job_id,
        #[OA\Property()]
        public string $board_id,
        #[OA\Property()]
        public string $board,
        #[OA\Property()]
        public string $from,
        #[OA\Property()]
        public string $into,
        #[OA\Property(description: 'as a known-good one')]
        public bool $lent,
    ) {
    }
}
