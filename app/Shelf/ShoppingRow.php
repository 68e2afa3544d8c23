<?php

declare(strict_types=1);

namespace App\Shelf;

use OpenApi\Attributes as OA;

/** A value to buy. */
#[OA\Schema]
final readonly class ShoppingRow
{
    /**
     * @param list<string> $jobs
     */
    public function __construct(
        #[OA\Property()]
        public string $kind,
        #[OA\Property()]
        public string $value,
        #[OA\Property()]
        public string $volts,
        #[OA\Property()]
        public int $wanted,
        #[OA\Property()]
        public int $spares,
        #[OA\Property(description: 'already there and free')]
        public int $shelf,
        #[OA\Property()]
        public int $buy,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))]
        public array $jobs,
    ) {
    }
}
