<?php

declare(strict_types=1);

namespace App\Capacitors;

use App\Instruments\MeterState;
use OpenApi\Attributes as OA;

/** Whether the meter gave a reading. */
#[OA\Schema]
final readonly class FaradsTaken
{
    public function __construct(
        #[OA\Property(enum: MeterState::class)]
        public MeterState $state,
        #[OA\Property()]
        public string $words,
        #[OA\Property(description: 'of the leads alone, when they were asked for')]
        public ?float $lead_ohm,
    ) {
    }
}
