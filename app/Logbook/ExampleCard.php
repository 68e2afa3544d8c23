<?php

declare(strict_types=1);

namespace App\Logbook;

use OpenApi\Attributes as OA;

/** A leading word of the quick line. */
#[OA\Schema]
final readonly class ExampleCard
{
    public function __construct(
        #[OA\Property()]
        public string $word,
        #[OA\Property()]
        public string $example,
    ) {
    }
}
