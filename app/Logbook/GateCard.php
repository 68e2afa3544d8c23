<?php

declare(strict_types=1);

namespace App\Logbook;

use OpenApi\Attributes as OA;

/** A gate as it stands. */
#[OA\Schema]
final readonly class GateCard
{
    /**
     * @param list<string> $why
     */
    public function __construct(
        #[OA\Property()]
        public string $gate,
        #[OA\Property()]
        public string $words,
        #[OA\Property()]
        public string $level,
        #[OA\Property()]
        public bool $closed,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))]
        public array $why,
        #[OA\Property()]
        public ?string $passed_because,
    ) {
    }
}
