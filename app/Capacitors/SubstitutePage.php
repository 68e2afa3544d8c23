<?php

declare(strict_types=1);

namespace App\Capacitors;

use OpenApi\Attributes as OA;

/** What may stand for a capacitor, best first. */
#[OA\Schema]
final readonly class SubstitutePage
{
    /**
     * @param list<SubstituteChoice> $choices
     */
    public function __construct(
        #[OA\Property()]
        public CapCard $cap,
        #[OA\Property()]
        public ?float $diameter_mm,
        #[OA\Property()]
        public ?float $height_mm,
        #[OA\Property()]
        public ?float $pitch_mm,
        #[OA\Property()]
        public ?float $clearance_mm,
        #[OA\Property(description: 'temperature that life is told for')]
        public float $at_c,
        #[OA\Property(type: 'array', items: new OA\Items(ref: SubstituteChoice::class))]
        public array $choices,
        #[OA\Property()]
        public string $says,
    ) {
    }
}
