<?php

declare(strict_types=1);

namespace App\Isolation;

use OpenApi\Attributes as OA;

/** The runs of swaps of a job, and what they say. */
#[OA\Schema]
final readonly class SwapsCard
{
    /**
     * @param list<SwapPartCard> $parts
     * @param list<SwapRunCard>  $runs
     * @param list<string>       $diagnoses
     * @param list<SwapNextCard> $next
     * @param list<string>       $reasons
     */
    public function __construct(
        #[OA\Property(type: 'array', items: new OA\Items(ref: SwapPartCard::class))]
        public array $parts,
        #[OA\Property(type: 'array', items: new OA\Items(ref: SwapRunCard::class), description: 'in time order')]
        public array $runs,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'), description: 'minimal ones, most probable first')]
        public array $diagnoses,
        #[OA\Property(type: 'array', items: new OA\Items(ref: SwapNextCard::class), description: 'best first')]
        public array $next,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))]
        public array $reasons,
    ) {
    }
}
