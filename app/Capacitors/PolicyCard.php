<?php

declare(strict_types=1);

namespace App\Capacitors;

use Ash\Capacitors\RecapAdvice;
use Ash\Facts\CapacitorKind;
use Ash\Facts\ReplacePolicy;
use OpenApi\Attributes as OA;

/** Replace what measures bad, or all of a kind: the sum behind it. */
#[OA\Schema]
final readonly class PolicyCard
{
    /**
     * @param list<string> $reasons
     */
    public function __construct(
        #[OA\Property(enum: CapacitorKind::class)]
        public CapacitorKind $kind,
        #[OA\Property()]
        public string $words,
        #[OA\Property()]
        public int $count,
        #[OA\Property()]
        public int $tested,
        #[OA\Property()]
        public int $bad,
        #[OA\Property()]
        public int $untested,
        #[OA\Property()]
        public string $expected,
        #[OA\Property()]
        public string $chance,
        #[OA\Property(enum: RecapAdvice::class)]
        public RecapAdvice $advice,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))]
        public array $reasons,
        #[OA\Property()]
        public string $prior,
        #[OA\Property(enum: ReplacePolicy::class)]
        public ?ReplacePolicy $chosen,
        #[OA\Property()]
        public ?string $chosen_words,
        #[OA\Property()]
        public ?string $because,
    ) {
    }
}
