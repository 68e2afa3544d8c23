<?php

declare(strict_types=1);

namespace App\Http;

use OpenApi\Attributes as OA;

/** One thing that is wrong with what was sent. */
#[OA\Schema]
final readonly class Fault
{
    public function __construct(
        #[OA\Property(description: 'RFC 6901 pointer into the body')]
        public string $pointer,
        #[OA\Property()]
        public string $detail,
    ) {
    }
}
