<?php

declare(strict_types=1);

namespace App\Memory;

use OpenApi\Attributes as OA;

/** What so many passes say. */
#[OA\Schema]
final readonly class SoakCard
{
    /**
     * @param list<string>    $reasons
     * @param list<SoakPoint> $curve
     * @param list<SoakGain>  $gains
     */
    public function __construct(
        #[OA\Property()]
        public int $passes,
        #[OA\Property()]
        public int $errors,
        #[OA\Property(description: 'the upper bound in words')]
        public string $bound,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))]
        public array $reasons,
        #[OA\Property()]
        public ?int $passes_left,
        #[OA\Property()]
        public ?string $time_left,
        #[OA\Property()]
        public ?float $target,
        #[OA\Property(type: 'array', items: new OA\Items(ref: SoakPoint::class))]
        public array $curve,
        #[OA\Property(type: 'array', items: new OA\Items(ref: SoakGain::class))]
        public array $gains,
    ) {
    }
}
