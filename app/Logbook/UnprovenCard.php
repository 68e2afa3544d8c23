<?php

declare(strict_types=1);

namespace App\Logbook;

use OpenApi\Attributes as OA;

/** What stands between the board and the claim that it is fixed. */
#[OA\Schema]
final readonly class UnprovenCard
{
    public function __construct(
        #[OA\Property()]
        public string $text,
        #[OA\Property()]
        public ?string $room,
        #[OA\Property(description: 'the board may not go back at all; else it may, with this line as a limit')]
        public bool $refuses,
    ) {
    }
}
