<?php

declare(strict_types=1);

namespace App\Treatments;

use OpenApi\Attributes as OA;

/** What the hands do next, and then, around what runs. */
#[OA\Schema]
final readonly class FitsNowCard
{
    /**
     * @param list<HandsStepCard> $steps
     * @param list<string>        $reasons
     */
    public function __construct(
        #[OA\Property(type: 'array', items: new OA\Items(ref: HandsStepCard::class))]
        public array $steps,
        #[OA\Property(description: 'no order is better')]
        public bool $proved,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))]
        public array $reasons,
    ) {
    }
}
