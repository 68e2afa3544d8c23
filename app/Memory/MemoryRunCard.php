<?php

declare(strict_types=1);

namespace App\Memory;

use Ash\Memory\SwapVerdict;
use OpenApi\Attributes as OA;

/** A kept test run. */
#[OA\Schema]
final readonly class MemoryRunCard
{
    public function __construct(
        #[OA\Property()]
        public string $id,
        #[OA\Property()]
        public string $at,
        #[OA\Property()]
        public string $author,
        #[OA\Property()]
        public string $map,
        #[OA\Property()]
        public string $pattern,
        #[OA\Property()]
        public string $condition,
        #[OA\Property()]
        public int $errors,
        #[OA\Property()]
        public int $passes,
        #[OA\Property()]
        public string $says,
        #[OA\Property()]
        public ?string $cut,
        #[OA\Property(description: 'what it says of the exchange before it')]
        public ?string $swap,
        #[OA\Property(enum: SwapVerdict::class)]
        public ?SwapVerdict $swap_verdict,
        #[OA\Property()]
        public LocatedCard $located,
        #[OA\Property()]
        public SocketsCard $sockets,
    ) {
    }
}
