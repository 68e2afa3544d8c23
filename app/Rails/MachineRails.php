<?php

declare(strict_types=1);

namespace App\Rails;

use OpenApi\Attributes as OA;

/** The rails of a machine as its description lists them. */
#[OA\Schema]
final readonly class MachineRails
{
    /**
     * @param list<RailCard> $rails
     * @param list<LoadCard> $budget
     * @param list<string>   $budget_says
     */
    public function __construct(
        #[OA\Property(type: 'array', items: new OA\Items(ref: RailCard::class))]
        public array $rails,
        #[OA\Property(type: 'array', items: new OA\Items(ref: LoadCard::class))]
        public array $budget,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))]
        public array $budget_says,
    ) {
    }
}
