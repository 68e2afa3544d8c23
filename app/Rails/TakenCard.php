<?php

declare(strict_types=1);

namespace App\Rails;

use App\Instruments\MeterState;
use OpenApi\Attributes as OA;

/** What the meter gave. */
#[OA\Schema]
final readonly class TakenCard
{
    public function __construct(
        #[OA\Property(enum: MeterState::class)]
        public MeterState $state,
        #[OA\Property()]
        public string $words,
        #[OA\Property()]
        public RailRunPage $run,
    ) {
    }
}
