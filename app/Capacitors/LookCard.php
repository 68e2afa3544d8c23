<?php

declare(strict_types=1);

namespace App\Capacitors;

use Ash\Capacitors\Look;
use OpenApi\Attributes as OA;

/** A look and the key that picks it. */
#[OA\Schema]
final readonly class LookCard
{
    public function __construct(
        #[OA\Property(enum: Look::class)]
        public Look $value,
        #[OA\Property()]
        public string $words,
        #[OA\Property()]
        public string $key,
    ) {
    }
}
