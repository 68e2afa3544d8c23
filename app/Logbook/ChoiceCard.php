<?php

declare(strict_types=1);

namespace App\Logbook;

use OpenApi\Attributes as OA;

/** A value and its words. */
#[OA\Schema]
final readonly class ChoiceCard
{
    public function __construct(
        #[OA\Property()]
        public string $value,
        #[OA\Property()]
        public string $words,
    ) {
    }
}
