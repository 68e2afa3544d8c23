<?php

declare(strict_types=1);

namespace App\Treatments;

use OpenApi\Attributes as OA;

/** A place of the curve of a brightening: the difference that is expected after so many hours. */
#[OA\Schema]
final readonly class CurvePlace
{
    public function __construct(
        #[OA\Property]
        public float $hours,
        #[OA\Property]
        public float $delta,
        #[OA\Property(description: '95 %')]
        public ?float $low,
        #[OA\Property(description: '95 %')]
        public ?float $high,
    ) {
    }
}
