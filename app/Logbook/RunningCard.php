<?php

declare(strict_types=1);

namespace App\Logbook;

use OpenApi\Attributes as OA;

/** Something that runs on the bench, of any room. */
#[OA\Schema]
final readonly class RunningCard
{
    public function __construct(
        #[OA\Property(ref: OpenItemCard::class)]
        public OpenItemCard $item,
        #[OA\Property]
        public string $job_title,
        #[OA\Property]
        public string $machine,
        #[OA\Property(description: 'until it wants a look, or how long that is over; null when nobody said')]
        public ?string $when,
        #[OA\Property(description: 'instrument, vessel or place that it takes up')]
        public ?string $occupies,
        #[OA\Property(description: 'somebody must be there')]
        public bool $hands,
    ) {
    }
}
