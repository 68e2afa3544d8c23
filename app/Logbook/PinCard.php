<?php

declare(strict_types=1);

namespace App\Logbook;

use OpenApi\Attributes as OA;

/** A numbered mark on a picture, at shares of its width and height. */
#[OA\Schema]
final readonly class PinCard
{
    public function __construct(
        #[OA\Property(description: 'the entry')]
        public string $id,
        #[OA\Property()]
        public int $number,
        #[OA\Property(type: 'number')]
        public float $x,
        #[OA\Property(type: 'number')]
        public float $y,
        #[OA\Property()]
        public string $text,
    ) {
    }
}
