<?php

declare(strict_types=1);

namespace App\Logbook;

use Ash\Facts\PowerOn;
use Ash\Logbook\Gate;
use OpenApi\Attributes as OA;

/** A gate as it stands. */
#[OA\Schema]
final readonly class GateCard
{
    /**
     * @param list<string> $why
     */
    public function __construct(
        #[OA\Property(enum: Gate::class)]
        public Gate $gate,
        #[OA\Property()]
        public string $words,
        #[OA\Property(enum: PowerOn::class)]
        public PowerOn $level,
        #[OA\Property()]
        public bool $closed,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))]
        public array $why,
        #[OA\Property()]
        public ?string $passed_because,
    ) {
    }
}
