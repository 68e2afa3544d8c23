<?php

declare(strict_types=1);

namespace App\Logbook;

use OpenApi\Attributes as OA;

/** A job in a list. */
#[OA\Schema]
final readonly class JobCard
{
    public function __construct(
        #[OA\Property()]
        public string $id,
        #[OA\Property()]
        public string $label,
        #[OA\Property()]
        public string $title,
        #[OA\Property()]
        public string $machine,
        #[OA\Property()]
        public string $machine_id,
        #[OA\Property(description: 'about a board that was in no machine when it came')]
        public bool $alone,
        #[OA\Property()]
        public string $board,
        #[OA\Property()]
        public string $board_id,
        #[OA\Property()]
        public string $owner,
        #[OA\Property()]
        public string $state,
        #[OA\Property()]
        public string $stage_words,
        #[OA\Property()]
        public ?string $outcome_words,
        #[OA\Property()]
        public bool $handed_back,
        #[OA\Property()]
        public int $minutes,
        #[OA\Property()]
        public int $allowance_minutes,
        #[OA\Property()]
        public string $opened_at,
        #[OA\Property()]
        public ?string $closed_at,
        #[OA\Property()]
        public string $last_entry_at,
        #[OA\Property()]
        public NextCard $next,
    ) {
    }
}
