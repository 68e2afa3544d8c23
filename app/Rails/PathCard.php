<?php

declare(strict_types=1);

namespace App\Rails;

use OpenApi\Attributes as OA;

/** Where along a rail the voltage is lost. */
#[OA\Schema]
final readonly class PathCard
{
    /**
     * @param list<PathPoint> $points
     * @param list<string>    $reasons
     */
    public function __construct(
        #[OA\Property()]
        public string $rail,
        #[OA\Property(type: 'array', items: new OA\Items(ref: PathPoint::class))]
        public array $points,
        #[OA\Property()]
        public ?string $fault_between,
        #[OA\Property()]
        public ?string $next_point,
        #[OA\Property()]
        public int $segments_left,
        #[OA\Property()]
        public int $worst_case_probes,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))]
        public array $reasons,
    ) {
    }
}
