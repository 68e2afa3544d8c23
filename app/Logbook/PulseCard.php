<?php

declare(strict_types=1);

namespace App\Logbook;

use OpenApi\Attributes as OA;

/** Whether something was written on a job since. */
#[OA\Schema]
final readonly class PulseCard
{
    public function __construct(
        #[OA\Property(description: 'counts up with every entry')]
        public int $version,
    ) {
    }
}
