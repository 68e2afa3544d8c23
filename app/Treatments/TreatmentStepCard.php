<?php

declare(strict_types=1);

namespace App\Treatments;

use OpenApi\Attributes as OA;

/** A step of a treatment. */
#[OA\Schema]
final readonly class TreatmentStepCard
{
    /** @param list<string> $amounts */
    public function __construct(
        #[OA\Property]
        public int $n,
        #[OA\Property]
        public string $do,
        #[OA\Property]
        public float $minutes,
        #[OA\Property]
        public bool $hands,
        #[OA\Property]
        public ?string $caution,
        #[OA\Property]
        public string $state,
        #[OA\Property]
        public ?string $begun,
        #[OA\Property]
        public ?string $due,
        #[OA\Property]
        public ?string $vessel,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'), description: 'for the vessel at hand')]
        public array $amounts,
    ) {
    }
}
