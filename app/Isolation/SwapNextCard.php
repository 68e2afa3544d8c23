<?php

declare(strict_types=1);

namespace App\Isolation;

use OpenApi\Attributes as OA;

/** A run that could be made next. */
#[OA\Schema]
final readonly class SwapNextCard
{
    /**
     * @param list<string> $parts
     */
    public function __construct(
        #[OA\Property(description: 'in words')]
        public string $change,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))]
        public array $parts,
        #[OA\Property()]
        public string $gain,
        #[OA\Property(description: 'chance that it works')]
        public string $works,
        #[OA\Property()]
        public float $minutes,
        #[OA\Property(description: 'what would explain it best then; null where that is not reckoned')]
        public ?string $if_works,
        #[OA\Property()]
        public ?string $if_fails,
    ) {
    }
}
