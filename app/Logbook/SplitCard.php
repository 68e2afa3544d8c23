<?php

declare(strict_types=1);

namespace App\Logbook;

use OpenApi\Attributes as OA;

/** What giving the boards of a place a kind of their own does, or did. */
#[OA\Schema]
final readonly class SplitCard
{
    /**
     * @param list<string> $moves
     * @param list<string> $boards
     */
    public function __construct(
        #[OA\Property()]
        public bool $done,
        #[OA\Property(description: 'of the new kind')]
        public string $name,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'), description: 'what its description says')]
        public array $moves,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'), description: 'boards that are of it then')]
        public array $boards,
        #[OA\Property(description: 'the new kind, once there is one')]
        public ?string $kind_id,
    ) {
    }
}
