<?php

declare(strict_types=1);

namespace App\Isolation;

use OpenApi\Attributes as OA;

/** A result that speaks for or against a cause. */
#[OA\Schema(schema: 'ResultSpoken')]
final readonly class Spoken
{
    public function __construct(
        #[OA\Property]
        public string $words,
        #[OA\Property(description: 'that says so, to be opened; null for what a room found over several entries')]
        public ?string $entry,
        #[OA\Property(description: 'the room whose finding says so')]
        public ?string $room,
    ) {
    }
}
