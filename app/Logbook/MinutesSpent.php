<?php

declare(strict_types=1);

namespace App\Logbook;

use OpenApi\Attributes as OA;

/** Minutes that were spent on one line of attack. */
#[OA\Schema]
final readonly class MinutesSpent
{
    public function __construct(
        #[OA\Property(description: 'a room, or what belongs to none')]
        public string $line,
        #[OA\Property]
        public int $minutes,
    ) {
    }
}
