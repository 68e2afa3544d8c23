<?php

declare(strict_types=1);

namespace App\Rails;

use OpenApi\Attributes as OA;

/** The rail runs of a job. */
#[OA\Schema]
final readonly class JobRails
{
    /** @param list<RunCard> $runs */
    public function __construct(
        #[OA\Property(description: 'whether its machine has rails to measure')]
        public bool $has_rails,
        #[OA\Property(type: 'array', items: new OA\Items(ref: RunCard::class), description: 'latest first')]
        public array $runs,
    ) {
    }
}
