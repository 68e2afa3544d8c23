<?php

declare(strict_types=1);

namespace App\Rails;

use Ash\Rails\Verdict;
use OpenApi\Attributes as OA;

/** One reading of a test point. */
#[OA\Schema]
final readonly class SeriesPoint
{
    public function __construct(
        #[OA\Property()]
        public string $at,
        #[OA\Property()]
        public float $volts,
        #[OA\Property()]
        public string $says,
        #[OA\Property(enum: Verdict::class)]
        public ?Verdict $verdict,
        #[OA\Property()]
        public string $job_label,
    ) {
    }
}
