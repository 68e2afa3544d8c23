<?php

declare(strict_types=1);

namespace App\Rails;

use OpenApi\Attributes as OA;

/** The point the run advises next. */
#[OA\Schema]
final readonly class LiveCard
{
    public function __construct(
        #[OA\Property()]
        public string $key,
        #[OA\Property()]
        public string $why,
    ) {
    }
}
