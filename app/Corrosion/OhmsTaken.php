<?php

declare(strict_types=1);

namespace App\Corrosion;

use App\Instruments\MeterState;
use OpenApi\Attributes as OA;

/** What the meter gave in ohms. */
#[OA\Schema]
final readonly class OhmsTaken
{
    public function __construct(
        #[OA\Property(enum: MeterState::class)]
        public MeterState $state,
        #[OA\Property()]
        public string $words,
        #[OA\Property(description: 'null when open or when there is none')]
        public ?float $ohms,
    ) {
    }
}
