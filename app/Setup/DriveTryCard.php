<?php

declare(strict_types=1);

namespace App\Setup;

use OpenApi\Attributes as OA;

/** An attempt at a drive. */
#[OA\Schema]
final readonly class DriveTryCard
{
    public function __construct(
        #[OA\Property]
        public string $entry_id,
        #[OA\Property]
        public string $at,
        #[OA\Property]
        public string $way,
        #[OA\Property]
        public string $outcome,
        #[OA\Property]
        public string $outcome_words,
        #[OA\Property]
        public ?string $mb,
        #[OA\Property]
        public ?string $kb_s,
        #[OA\Property]
        public ?int $bad,
        #[OA\Property]
        public bool $best,
    ) {
    }
}
