<?php

declare(strict_types=1);

namespace App\Logbook;

use OpenApi\Attributes as OA;

/** What was found in all records. */
#[OA\Schema]
final readonly class SearchPage
{
    /**
     * @param list<FoundJob>    $jobs
     * @param list<MachineCard> $machines
     */
    public function __construct(
        #[OA\Property(type: 'array', items: new OA\Items(ref: FoundJob::class), description: 'that hold all the words, the latest first')]
        public array $jobs,
        #[OA\Property(description: 'cursor of what is older; null: nothing is')]
        public ?int $before,
        #[OA\Property(
            type: 'array',
            items: new OA\Items(ref: MachineCard::class),
            description: 'whose name, serial, owner or kind holds what was asked for; the first ones',
        )]
        public array $machines,
        #[OA\Property(description: 'all entries are in it; false for some minutes after a large import')]
        public bool $whole,
    ) {
    }
}
