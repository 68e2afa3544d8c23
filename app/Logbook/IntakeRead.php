<?php

declare(strict_types=1);

namespace App\Logbook;

use OpenApi\Attributes as OA;

/** What a line of intake was understood as, and what is known of the name in it. */
#[OA\Schema]
final readonly class IntakeRead
{
    /**
     * @param list<MachineCard> $machines
     * @param list<KindCard>    $kinds
     */
    public function __construct(
        #[OA\Property()]
        public string $machine,
        #[OA\Property()]
        public ?string $serial,
        #[OA\Property()]
        public ?string $owner,
        #[OA\Property()]
        public ?string $symptom,
        #[OA\Property(type: 'array', items: new OA\Items(ref: MachineCard::class), description: 'known ones with this in their name or serial')]
        public array $machines,
        #[OA\Property(type: 'array', items: new OA\Items(ref: KindCard::class))]
        public array $kinds,
        #[OA\Property(description: 'the machine that is meant, when only one can be')]
        public ?string $meant,
        #[OA\Property(description: 'several are called so: somebody must choose')]
        public bool $ambiguous,
        #[OA\Property(description: 'a board that came without its machine')]
        public bool $alone,
    ) {
    }
}
