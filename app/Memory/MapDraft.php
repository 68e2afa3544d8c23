<?php

declare(strict_types=1);

namespace App\Memory;

use OpenApi\Attributes as OA;

/** A memory as it would be drawn. */
#[OA\Schema]
final readonly class MapDraft
{
    /**
     * @param list<string> $findings
     */
    public function __construct(
        #[OA\Property(description: 'JSON document of the map')]
        public string $map,
        #[OA\Property()]
        public SocketsCard $sockets,
        #[OA\Property()]
        public string $words,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))]
        public array $findings,
        #[OA\Property()]
        public ?string $bias,
    ) {
    }
}
