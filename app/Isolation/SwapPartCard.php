<?php

declare(strict_types=1);

namespace App\Isolation;

use OpenApi\Attributes as OA;

/** A part that was swapped. */
#[OA\Schema]
final readonly class SwapPartCard
{
    public function __construct(
        #[OA\Property()]
        public string $id,
        #[OA\Property()]
        public string $role,
        #[OA\Property(description: 'of being bad')]
        public float $probability,
        #[OA\Property()]
        public string $percent,
        #[OA\Property()]
        public bool $cleared,
        #[OA\Property(description: 'as it was said when it was first fitted')]
        public bool $known_good,
        #[OA\Property(description: 'tried on this job; others stood beside one of its boards elsewhere')]
        public bool $here,
    ) {
    }
}
