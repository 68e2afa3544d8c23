<?php

declare(strict_types=1);

namespace App\Treatments;

use OpenApi\Attributes as OA;

/** How the colour of a part has come on. */
#[OA\Schema]
final readonly class PartColours
{
    /**
     * @param list<ColourPoint> $readings
     */
    public function __construct(
        #[OA\Property]
        public string $part,
        #[OA\Property(type: 'array', items: new OA\Items(ref: ColourPoint::class))]
        public array $readings,
        #[OA\Property]
        public string $says,
    ) {
    }
}
