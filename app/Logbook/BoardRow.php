<?php

declare(strict_types=1);

namespace App\Logbook;

use OpenApi\Attributes as OA;

/** A board in the list: what it is, and where. */
#[OA\Schema]
final readonly class BoardRow
{
    public function __construct(
        #[OA\Property()]
        public string $id,
        #[OA\Property()]
        public string $name,
        #[OA\Property()]
        public ?string $serial,
        #[OA\Property(description: 'the machine it is fitted in; null for one on the shelf')]
        public ?string $machine,
        #[OA\Property()]
        public ?string $machine_id,
        #[OA\Property()]
        public string $place,
        #[OA\Property()]
        public ?string $owner,
        #[OA\Property()]
        public string $kind,
        #[OA\Property()]
        public string $kind_id,
    ) {
    }
}
