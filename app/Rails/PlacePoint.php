<?php

declare(strict_types=1);

namespace App\Rails;

use OpenApi\Attributes as OA;

/** A test point that has readings. */
#[OA\Schema]
final readonly class PlacePoint
{
    public function __construct(
        #[OA\Property()]
        public string $rail,
        #[OA\Property()]
        public string $test_point,
        #[OA\Property()]
        public int $readings,
    ) {
    }
}
