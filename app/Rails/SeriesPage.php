<?php

declare(strict_types=1);

namespace App\Rails;

use OpenApi\Attributes as OA;

/** Readings of one test point over time. */
#[OA\Schema]
final readonly class SeriesPage
{
    /**
     * @param list<SeriesPoint> $points
     */
    public function __construct(
        #[OA\Property()]
        public string $rail,
        #[OA\Property()]
        public string $test_point,
        #[OA\Property(description: 'limits in force at the last reading, V')]
        public ?float $low,
        #[OA\Property()]
        public ?float $high,
        #[OA\Property(type: 'array', items: new OA\Items(ref: SeriesPoint::class))]
        public array $points,
    ) {
    }
}
