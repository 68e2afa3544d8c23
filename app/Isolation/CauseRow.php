<?php

declare(strict_types=1);

namespace App\Isolation;

use OpenApi\Attributes as OA;

/** A known cause of the symptom. */
#[OA\Schema]
final readonly class CauseRow
{
    /**
     * @param list<Spoken> $for
     * @param list<Spoken> $against
     */
    public function __construct(
        #[OA\Property()]
        public string $words,
        #[OA\Property(description: 'that is bad; null when no part is')]
        public ?string $part,
        #[OA\Property()]
        public string $shows,
        #[OA\Property()]
        public float $probability,
        #[OA\Property()]
        public string $percent,
        #[OA\Property()]
        public string $id,
        #[OA\Property(description: 'what the closed jobs of this shop say by themselves, with an interval; null without such a job')]
        public ?string $history,
        #[OA\Property(type: 'array', items: new OA\Items(ref: Spoken::class), description: 'results that are more likely under it than under the others')]
        public array $for,
        #[OA\Property(type: 'array', items: new OA\Items(ref: Spoken::class))]
        public array $against,
        #[OA\Property(description: 'the cheapest test that could settle it; null when none could, or it is settled')]
        public ?string $settles,
    ) {
    }
}
