<?php

declare(strict_types=1);

namespace App\Treatments;

use OpenApi\Attributes as OA;

/** The means against a damage, side by side. */
#[OA\Schema]
final readonly class ChoicesPage
{
    /**
     * @param list<MeansCard> $choices
     */
    public function __construct(
        #[OA\Property(type: 'array', items: new OA\Items(ref: MeansCard::class))]
        public array $choices,
    ) {
    }
}
