<?php

declare(strict_types=1);

namespace App\Logbook;

use App\Bench\ChoiceCard;
use OpenApi\Attributes as OA;

/** A kind of machine or of board: what is known of it, what was learned when and from which job, and its machines. */
#[OA\Schema]
final readonly class KindPage
{
    /**
     * @param list<MachineCard>   $machines
     * @param list<BoardRow>      $boards
     * @param list<PlaceOfKind>   $places
     * @param list<LessonCard>    $lessons
     * @param list<string>        $known
     * @param list<ChoiceCard>    $caution_choices
     * @param list<KindSheetCard> $sheets
     * @param list<ChoiceCard>    $sheet_choices
     */
    public function __construct(
        #[OA\Property()]
        public KindCard $kind,
        #[OA\Property()]
        public int $revision,
        #[OA\Property(description: 'JSON document')]
        public string $profile,
        #[OA\Property(type: 'array', items: new OA\Items(ref: ChoiceCard::class), description: 'that a description may name')]
        public array $caution_choices,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'), description: 'in a line each')]
        public array $known,
        #[OA\Property(type: 'array', items: new OA\Items(ref: MachineCard::class))]
        public array $machines,
        #[OA\Property(type: 'array', items: new OA\Items(ref: BoardRow::class), description: 'of a kind of board')]
        public array $boards,
        #[OA\Property(type: 'array', items: new OA\Items(ref: PlaceOfKind::class), description: 'of a kind of machine')]
        public array $places,
        #[OA\Property(type: 'array', items: new OA\Items(ref: LessonCard::class), description: 'the latest first')]
        public array $lessons,
        #[OA\Property(type: 'array', items: new OA\Items(ref: KindSheetCard::class), description: 'sheets, listings, ROM dumps; the latest first')]
        public array $sheets,
        #[OA\Property(type: 'array', items: new OA\Items(ref: ChoiceCard::class), description: 'what a file may be')]
        public array $sheet_choices,
        #[OA\Property(description: 'the kind that it turned out to be')]
        public ?string $merged_into,
    ) {
    }
}
