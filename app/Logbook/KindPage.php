<?php

declare(strict_types=1);

namespace App\Logbook;

use OpenApi\Attributes as OA;

/** A kind of machine: what is known of it, what was learned when and from which job, and its machines. */
#[OA\Schema]
final readonly class KindPage
{
    /**
     * @param list<MachineCard> $machines
     * @param list<LessonCard>  $lessons
     * @param list<string>      $known
     */
    public function __construct(
        #[OA\Property()]
        public KindCard $kind,
        #[OA\Property()]
        public int $revision,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'), description: 'in a line each')]
        public array $known,
        #[OA\Property(type: 'array', items: new OA\Items(ref: MachineCard::class))]
        public array $machines,
        #[OA\Property(type: 'array', items: new OA\Items(ref: LessonCard::class), description: 'the latest first')]
        public array $lessons,
    ) {
    }
}
