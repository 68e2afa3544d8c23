<?php

declare(strict_types=1);

namespace App\Rails;

use App\Bench\StripCard;
use Ash\Facts\Band;
use Ash\Rails\Point;
use OpenApi\Attributes as OA;

/** One test point of the run. */
#[OA\Schema]
final readonly class StepCard
{
    /**
     * @param list<string> $protects
     */
    public function __construct(
        #[OA\Property()]
        public string $key,
        #[OA\Property()]
        public string $rail,
        #[OA\Property()]
        public string $nominal,
        #[OA\Property()]
        public string $limits,
        #[OA\Property()]
        public string $wide,
        #[OA\Property(enum: Band::class)]
        public Band $band,
        #[OA\Property()]
        public ?string $band_reason,
        #[OA\Property()]
        public string $test_point,
        #[OA\Property()]
        public ?string $where,
        #[OA\Property(enum: Point::class)]
        public ?Point $point,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))]
        public array $protects,
        #[OA\Property(description: 'where its figures come from, when that was noted')]
        public ?string $source,
        #[OA\Property(description: 'what a good board has to ground here')]
        public ?string $ohms_good,
        #[OA\Property()]
        public ?StepReading $reading,
        #[OA\Property(description: 'the same point in the run that this one repeats')]
        public ?string $previous,
        #[OA\Property()]
        public StripCard $strip,
    ) {
    }
}
