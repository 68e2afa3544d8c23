<?php

declare(strict_types=1);

namespace App\Logbook;

use OpenApi\Attributes as OA;

/** A window of a job's entries, in time order. */
#[OA\Schema]
final readonly class EntryList
{
    /** @param list<EntryCard> $entries */
    public function __construct(
        #[OA\Property(type: 'array', items: new OA\Items(ref: EntryCard::class), description: 'in time order')]
        public array $entries,
        #[OA\Property(description: 'cursor of what came before; null: nothing did')]
        public ?string $before,
        #[OA\Property(description: 'cursor of what comes after; null: nothing does')]
        public ?string $after,
    ) {
    }
}
