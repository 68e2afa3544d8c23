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
     * @param list<CurvePlace>  $curve    of a brightening, as far as it can be fitted
     */
    public function __construct(
        #[OA\Property]
        public string $part,
        #[OA\Property(type: 'array', items: new OA\Items(ref: ColourPoint::class))]
        public array $readings,
        #[OA\Property]
        public string $says,
        #[OA\Property(type: 'array', items: new OA\Items(ref: CurvePlace::class))]
        public array $curve,
        #[OA\Property(description: 'CIEDE2000 up to which it counts as a match')]
        public float $tolerance,
        #[OA\Property(description: 'of the difference that is gone since the first picture')]
        public ?string $progress,
        #[OA\Property(description: 'how much it has changed since the first picture')]
        public ?string $change,
    ) {
    }
}
