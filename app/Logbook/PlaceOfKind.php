<?php

declare(strict_types=1);

namespace App\Logbook;

use OpenApi\Attributes as OA;

/** A place of a kind of machine, and the kind of board that sits in it where that is known. */
#[OA\Schema]
final readonly class PlaceOfKind
{
    public function __construct(
        #[OA\Property()]
        public string $place,
        #[OA\Property()]
        public string $name,
        #[OA\Property(description: 'what of the machine\'s description names this board, in words')]
        public ?string $names,
        #[OA\Property()]
        public ?string $kind_id,
        #[OA\Property()]
        public ?string $kind,
    ) {
    }
}
