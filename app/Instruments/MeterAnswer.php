<?php

declare(strict_types=1);

namespace App\Instruments;

use OpenApi\Attributes as OA;

/** What a meter said of itself. */
#[OA\Schema]
final readonly class MeterAnswer
{
    public function __construct(
        #[OA\Property(enum: MeterState::class)]
        public MeterState $state,
        #[OA\Property()]
        public string $words,
    ) {
    }
}
