<?php

declare(strict_types=1);

namespace App\Logbook;

use OpenApi\Attributes as OA;

/** A machine, its profile and its visits. */
#[OA\Schema]
final readonly class MachinePage
{
    /**
     * @param list<RailCard>       $rails
     * @param list<LoadCard>       $budget
     * @param list<string>         $budget_says
     * @param list<SourceNoteCard> $source_notes
     * @param list<string>         $cautions
     * @param list<JobCard>        $jobs
     */
    public function __construct(
        #[OA\Property()]
        public MachineCard $machine,
        #[OA\Property()]
        public int $revision,
        #[OA\Property(description: 'JSON document')]
        public string $profile,
        #[OA\Property(type: 'array', items: new OA\Items(ref: RailCard::class))]
        public array $rails,
        #[OA\Property(type: 'array', items: new OA\Items(ref: LoadCard::class))]
        public array $budget,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))]
        public array $budget_says,
        #[OA\Property(type: 'array', items: new OA\Items(ref: SourceNoteCard::class))]
        public array $source_notes,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))]
        public array $cautions,
        #[OA\Property(type: 'array', items: new OA\Items(ref: JobCard::class))]
        public array $jobs,
    ) {
    }
}
