<?php

declare(strict_types=1);

namespace App\Logbook;

use App\Bench\ChoiceCard;
use OpenApi\Attributes as OA;

/** A kind of entry, for the form that corrects one. */
#[OA\Schema]
final readonly class EntryKindCard
{
    /**
     * @param list<ChoiceCard> $said_anew
     * @param list<string>     $kept
     */
    public function __construct(
        #[OA\Property()]
        public string $kind,
        #[OA\Property()]
        public string $words,
        #[OA\Property(description: 'its words are the entry, or a part of its sentence')]
        public bool $needs_words,
        #[OA\Property(type: 'array', items: new OA\Items(ref: ChoiceCard::class), description: 'fields of the data, with their labels')]
        public array $said_anew,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'), description: 'fields taken over from the entry that is corrected')]
        public array $kept,
    ) {
    }
}
