<?php

declare(strict_types=1);

namespace App\Corrosion;

use OpenApi\Attributes as OA;

/** One thing to do after a leak. */
#[OA\Schema]
final readonly class PlanStep
{
    public function __construct(
        #[OA\Property()]
        public string $step,
        #[OA\Property()]
        public string $text,
        #[OA\Property()]
        public ?string $caution,
    ) {
    }
}
