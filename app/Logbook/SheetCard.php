<?php

declare(strict_types=1);

namespace App\Logbook;

use OpenApi\Attributes as OA;

/** The head of a job. */
#[OA\Schema]
final readonly class SheetCard
{
    /**
     * @param list<string>      $known
     * @param list<SuspectCard> $suspected
     * @param list<GateCard>    $gates
     * @param list<string>      $notices
     * @param list<NextCard>    $then
     * @param list<NextCard>    $waits
     */
    public function __construct(
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))]
        public array $known,
        #[OA\Property(type: 'array', items: new OA\Items(ref: SuspectCard::class))]
        public array $suspected,
        #[OA\Property()]
        public NextCard $next,
        #[OA\Property(type: 'array', items: new OA\Items(ref: GateCard::class))]
        public array $gates,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'), description: 'what the time spent says')]
        public array $notices,
        #[OA\Property(type: 'array', items: new OA\Items(ref: NextCard::class), description: 'what can be done besides, best first')]
        public array $then,
        #[OA\Property(type: 'array', items: new OA\Items(ref: NextCard::class), description: 'what cannot be done until something has come')]
        public array $waits,
    ) {
    }
}
