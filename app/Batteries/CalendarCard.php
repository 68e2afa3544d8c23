<?php

declare(strict_types=1);

namespace App\Batteries;

use OpenApi\Attributes as OA;

/** A calendar's address, shown once. */
#[OA\Schema]
final readonly class CalendarCard
{
    public function __construct(
        #[OA\Property()]
        public string $url,
    ) {
    }
}
