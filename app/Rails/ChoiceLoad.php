<?php

declare(strict_types=1);

namespace App\Rails;

use OpenApi\Attributes as OA;

/** A load state. */
#[OA\Schema]
final readonly class ChoiceLoad
{
    public function __construct(
        #[OA\Property()]
        public string $value,
        #[OA\Property()]
        public string $words,
    ) {
    }
}
