<?php

declare(strict_types=1);

namespace App\Setup;

use OpenApi\Attributes as OA;

/** A drive that damages disks. */
#[OA\Schema]
final readonly class DamagingCard
{
    public function __construct(
        #[OA\Property]
        public string $entry_id,
        #[OA\Property]
        public string $drive,
        #[OA\Property]
        public string $words,
    ) {
    }
}
