<?php

declare(strict_types=1);

namespace App\Memory;

use Ash\Quantity\Radix;
use OpenApi\Attributes as OA;

/** A memory of the machine. */
#[OA\Schema]
final readonly class MemoryMapCard
{
    /**
     * @param list<string> $banks
     * @param list<string> $findings
     */
    public function __construct(
        #[OA\Property()]
        public string $key,
        #[OA\Property()]
        public string $name,
        #[OA\Property()]
        public ?string $chip,
        #[OA\Property(description: 'banks, size and radix')]
        public string $words,
        #[OA\Property(enum: Radix::class)]
        public Radix $radix,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))]
        public array $banks,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'), description: 'what to look at in the map')]
        public array $findings,
    ) {
    }
}
