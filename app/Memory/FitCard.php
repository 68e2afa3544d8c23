<?php

declare(strict_types=1);

namespace App\Memory;

use OpenApi\Attributes as OA;

/** May this chip go into that socket. */
#[OA\Schema]
final readonly class FitCard
{
    /**
     * @param list<string>      $reasons
     * @param list<ChipPinCard> $pins
     */
    public function __construct(
        #[OA\Property()]
        public string $verdict,
        #[OA\Property()]
        public string $words,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))]
        public array $reasons,
        #[OA\Property(type: 'array', items: new OA\Items(ref: ChipPinCard::class))]
        public array $pins,
        #[OA\Property()]
        public string $package,
    ) {
    }
}
