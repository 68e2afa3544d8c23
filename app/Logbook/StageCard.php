<?php

declare(strict_types=1);

namespace App\Logbook;

use Ash\Logbook\Stage;
use OpenApi\Attributes as OA;

/** A stage of the strip. */
#[OA\Schema]
final readonly class StageCard
{
    /**
     * @param list<int> $gates
     */
    public function __construct(
        #[OA\Property(enum: Stage::class)]
        public Stage $stage,
        #[OA\Property()]
        public string $words,
        #[OA\Property()]
        public string $needs,
        #[OA\Property()]
        public bool $current,
        #[OA\Property()]
        public bool $opened,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'integer'), description: 'numbers of the gates that stand before it and are closed')]
        public array $gates,
    ) {
    }
}
