<?php

declare(strict_types=1);

namespace App\Setup;

use OpenApi\Attributes as OA;

/** A disk that was copied. */
#[OA\Schema]
final readonly class DiskCopyCard
{
    public function __construct(
        #[OA\Property]
        public string $entry_id,
        #[OA\Property]
        public string $at,
        #[OA\Property]
        public string $disk,
        #[OA\Property]
        public string $image,
        #[OA\Property]
        public string $drive,
        #[OA\Property]
        public int $tries,
        #[OA\Property]
        public int $bad,
        #[OA\Property]
        public bool $cleaned,
        #[OA\Property]
        public bool $aside,
    ) {
    }
}
