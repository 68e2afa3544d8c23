<?php

declare(strict_types=1);

namespace App\Memory;

use OpenApi\Attributes as OA;

/** The sockets of a memory as they lie on the board. */
#[OA\Schema]
final readonly class SocketsCard
{
    /**
     * @param list<SocketRow> $rows
     * @param list<string>    $beside
     */
    public function __construct(
        #[OA\Property()]
        public string $name,
        #[OA\Property(type: 'array', items: new OA\Items(ref: SocketRow::class))]
        public array $rows,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'), description: 'suspects that are no chip: lines, banks, everything')]
        public array $beside,
        #[OA\Property(description: 'for who does not see it')]
        public string $says,
    ) {
    }
}
