<?php

declare(strict_types=1);

namespace App\Memory;

use OpenApi\Attributes as OA;

/** A row of sockets, left to right. */
#[OA\Schema]
final readonly class SocketRow
{
    /**
     * @param list<SocketPlace> $places
     */
    public function __construct(
        #[OA\Property(description: 'of its first chip')]
        public string $bank,
        #[OA\Property()]
        public string $range,
        #[OA\Property(description: 'whether the bank was among those that were tested')]
        public bool $tested,
        #[OA\Property(type: 'array', items: new OA\Items(ref: SocketPlace::class))]
        public array $places,
    ) {
    }
}
