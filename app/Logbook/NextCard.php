<?php

declare(strict_types=1);

namespace App\Logbook;

use OpenApi\Attributes as OA;

/** The next step in words. */
#[OA\Schema]
final readonly class NextCard
{
    public function __construct(
        #[OA\Property()]
        public string $text,
        #[OA\Property()]
        public string $why,
        #[OA\Property()]
        public ?string $room,
        #[OA\Property(description: 'of hands, where somebody has said how long it takes')]
        public ?float $minutes = null,
    ) {
    }
}
