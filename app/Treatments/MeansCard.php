<?php

declare(strict_types=1);

namespace App\Treatments;

use OpenApi\Attributes as OA;

/** A means against a damage, and whether it suits the part. */
#[OA\Schema]
final readonly class MeansCard
{
    /**
     * @param list<string>            $reasons
     * @param list<TreatmentStepCard> $steps
     */
    public function __construct(
        #[OA\Property]
        public string $id,
        #[OA\Property]
        public string $words,
        #[OA\Property]
        public string $verdict,
        #[OA\Property]
        public string $verdict_words,
        #[OA\Property]
        public int $minutes,
        #[OA\Property]
        public string $reach,
        #[OA\Property]
        public int $risk,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))]
        public array $reasons,
        #[OA\Property(type: 'array', items: new OA\Items(ref: TreatmentStepCard::class))]
        public array $steps,
    ) {
    }
}
