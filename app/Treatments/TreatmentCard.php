<?php

declare(strict_types=1);

namespace App\Treatments;

use OpenApi\Attributes as OA;

/** A part under treatment. */
#[OA\Schema]
final readonly class TreatmentCard
{
    /**
     * @param list<TreatmentStepCard> $steps
     */
    public function __construct(
        #[OA\Property]
        public string $id,
        #[OA\Property]
        public string $part,
        #[OA\Property]
        public string $words,
        #[OA\Property(type: 'array', items: new OA\Items(ref: TreatmentStepCard::class))]
        public array $steps,
        #[OA\Property(description: 'minutes that somebody is there')]
        public int $hands,
        #[OA\Property(description: 'minutes that it runs alone')]
        public int $waiting,
        #[OA\Property(description: 'a current runs through a bath')]
        public bool $bath,
    ) {
    }
}
