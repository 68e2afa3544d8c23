<?php

declare(strict_types=1);

namespace App\Memory;

use App\Bench\ChoiceCard;
use OpenApi\Attributes as OA;

/** Chips and tests that the product knows. */
#[OA\Schema]
final readonly class TablesPage
{
    /**
     * @param list<ChipCard>   $chips
     * @param list<MarchCard>  $tests
     * @param list<ChoiceCard> $technologies of memory cells
     * @param list<ChoiceCard> $radices      in which tests write addresses, the usual first
     */
    public function __construct(
        #[OA\Property(type: 'array', items: new OA\Items(ref: ChipCard::class))]
        public array $chips,
        #[OA\Property(type: 'array', items: new OA\Items(ref: MarchCard::class))]
        public array $tests,
        #[OA\Property(type: 'array', items: new OA\Items(ref: ChoiceCard::class))]
        public array $technologies,
        #[OA\Property(type: 'array', items: new OA\Items(ref: ChoiceCard::class))]
        public array $radices,
        #[OA\Property()]
        public string $source,
    ) {
    }
}
