<?php

declare(strict_types=1);

namespace App\Logbook;

use OpenApi\Attributes as OA;

/** A page of machines by name. */
#[OA\Schema]
final readonly class MachineList
{
    /** @param list<MachineCard> $machines */
    public function __construct(
        #[OA\Property(type: 'array', items: new OA\Items(ref: MachineCard::class))]
        public array $machines,
        #[OA\Property(description: 'cursor of the next page')]
        public ?string $next_after,
    ) {
    }
}
