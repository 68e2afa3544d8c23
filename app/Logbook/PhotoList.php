<?php

declare(strict_types=1);

namespace App\Logbook;

use OpenApi\Attributes as OA;

/** Part of a board's pictures, in time order. */
#[OA\Schema]
final readonly class PhotoList
{
    /** @param list<PhotoCard> $photos */
    public function __construct(
        #[OA\Property(type: 'array', items: new OA\Items(ref: PhotoCard::class), description: 'in time order')]
        public array $photos,
        #[OA\Property(description: 'cursor of what came before; null: nothing did')]
        public ?string $before,
    ) {
    }
}
