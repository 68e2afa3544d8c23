<?php

declare(strict_types=1);

namespace App\Logbook;

use App\Bench\ChoiceCard;
use OpenApi\Attributes as OA;

/** A machine, its profile and its visits. */
#[OA\Schema]
final readonly class MachinePage
{
    /**
     * @param list<SourceNoteCard> $source_notes
     * @param list<string>         $cautions
     * @param list<ChoiceCard>     $caution_choices
     * @param list<JobCard>        $jobs
     * @param list<BoardMoveCard>  $moves
     * @param list<ChoiceCard>     $empty
     */
    public function __construct(
        #[OA\Property()]
        public MachineCard $machine,
        #[OA\Property()]
        public int $revision,
        #[OA\Property(description: 'JSON document')]
        public string $profile,
        #[OA\Property(type: 'array', items: new OA\Items(ref: SourceNoteCard::class))]
        public array $source_notes,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))]
        public array $cautions,
        #[OA\Property(type: 'array', items: new OA\Items(ref: ChoiceCard::class), description: 'that a description may name')]
        public array $caution_choices,
        #[OA\Property(type: 'array', items: new OA\Items(ref: JobCard::class))]
        public array $jobs,
        #[OA\Property(type: 'array', items: new OA\Items(ref: BoardMoveCard::class), description: 'boards that went in or out, latest first')]
        public array $moves,
        #[OA\Property(type: 'array', items: new OA\Items(ref: ChoiceCard::class), description: 'places in which no board sits')]
        public array $empty,
    ) {
    }
}
