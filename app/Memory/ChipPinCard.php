<?php

declare(strict_types=1);

namespace App\Memory;

use OpenApi\Attributes as OA;

/** A pin of a socket and of the chip that may go in. */
#[OA\Schema]
final readonly class ChipPinCard
{
    public function __construct(
        #[OA\Property()]
        public int $pin,
        #[OA\Property()]
        public string $side,
        #[OA\Property()]
        public ?string $fitted,
        #[OA\Property()]
        public ?string $candidate,
        #[OA\Property(description: 'same, conflict, hazard or unknown')]
        public string $meets,
        #[OA\Property()]
        public ?string $says,
    ) {
    }
}
