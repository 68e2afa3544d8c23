<?php

declare(strict_types=1);

namespace App\Rails;

use Ash\Rails\BudgetVerdict;
use OpenApi\Attributes as OA;

/** A rail's load against the supply's label. */
#[OA\Schema]
final readonly class LoadCard
{
    public function __construct(
        #[OA\Property()]
        public string $rail,
        #[OA\Property()]
        public string $says,
        #[OA\Property(enum: BudgetVerdict::class)]
        public BudgetVerdict $verdict,
    ) {
    }
}
