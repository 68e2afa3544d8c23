<?php

declare(strict_types=1);

namespace App\Memory;

use OpenApi\Attributes as OA;

/** A socket as it sits on the board, and how far its chip is suspected. */
#[OA\Schema]
final readonly class SocketCard
{
    public function __construct(
        #[OA\Property()]
        public string $ref,
        #[OA\Property()]
        public string $bank,
        #[OA\Property(description: 'in words')]
        public string $bits,
        #[OA\Property(description: '0 not suspected, to 4 nearly certain: for the shape that is drawn')]
        public int $level,
        #[OA\Property(description: 'in words; empty when there is none')]
        public string $suspicion,
        #[OA\Property()]
        public int $errors,
        #[OA\Property()]
        public ?string $date_code,
        #[OA\Property(description: 'when the chip came later than its neighbours')]
        public ?string $younger,
    ) {
    }
}
