<?php

declare(strict_types=1);

namespace App\Memory;

use OpenApi\Attributes as OA;

/** Two chips exchanged, or to be exchanged. */
#[OA\Schema]
final readonly class SwapCard
{
    public function __construct(
        #[OA\Property(description: 'the entry, once it is done')]
        public ?string $id,
        #[OA\Property()]
        public string $run,
        #[OA\Property()]
        public string $from,
        #[OA\Property()]
        public string $to,
        #[OA\Property()]
        public string $predicts,
    ) {
    }
}
