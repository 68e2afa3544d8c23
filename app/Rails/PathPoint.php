<?php

declare(strict_types=1);

namespace App\Rails;

use Ash\Rails\PointState;
use OpenApi\Attributes as OA;

/** A point of a path walk. */
#[OA\Schema]
final readonly class PathPoint
{
    public function __construct(
        #[OA\Property()]
        public string $name,
        #[OA\Property(enum: PointState::class)]
        public PointState $state,
    ) {
    }
}
