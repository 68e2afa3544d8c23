<?php

declare(strict_types=1);

namespace App\Logbook;

use App\Bench\ChoiceCard;
use OpenApi\Attributes as OA;

/** A job whole. */
#[OA\Schema]
final readonly class JobPage
{
    /**
     * @param list<StageCard>     $stages
     * @param list<EntryCard>     $entries
     * @param list<OpenItemCard>  $open_items
     * @param list<BoardCard>     $boards
     * @param list<string>        $cautions
     * @param list<ExampleCard>   $examples
     * @param list<ChoiceCard>    $outcomes
     * @param list<ColdCheckCard> $cold_checks
     * @param list<string>        $otherwise
     */
    public function __construct(
        #[OA\Property()]
        public JobCard $job,
        #[OA\Property()]
        public SheetCard $sheet,
        #[OA\Property(type: 'array', items: new OA\Items(ref: StageCard::class))]
        public array $stages,
        #[OA\Property(type: 'array', items: new OA\Items(ref: EntryCard::class), description: 'the latest, in time order')]
        public array $entries,
        #[OA\Property(description: 'cursor of what came before them; null: nothing did')]
        public ?string $before,
        #[OA\Property(type: 'array', items: new OA\Items(ref: OpenItemCard::class))]
        public array $open_items,
        #[OA\Property(type: 'array', items: new OA\Items(ref: BoardCard::class))]
        public array $boards,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))]
        public array $cautions,
        #[OA\Property(type: 'array', items: new OA\Items(ref: ExampleCard::class))]
        public array $examples,
        #[OA\Property(type: 'array', items: new OA\Items(ref: ChoiceCard::class))]
        public array $outcomes,
        #[OA\Property(type: 'array', items: new OA\Items(ref: ColdCheckCard::class))]
        public array $cold_checks,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'), description: 'of a closed job: what today\'s rules say otherwise')]
        public array $otherwise,
    ) {
    }
}
