<?php

declare(strict_types=1);

namespace App\Batteries;

use OpenApi\Attributes as OA;

/** What the board wants of its battery, as it is typed: "2.4", "10u", "470". Empty where nothing is known. */
#[OA\Schema]
final readonly class BoardNumbers
{
    public function __construct(
        #[OA\Property()]
        public string $retention_min_v,
        #[OA\Property()]
        public string $retention_max_v,
        #[OA\Property()]
        public string $standby_a,
        #[OA\Property()]
        public string $supply_v,
        #[OA\Property()]
        public string $series_ohm,
        #[OA\Property()]
        public string $diode_drop_v,
    ) {
    }
}
