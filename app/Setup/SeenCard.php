<?php

declare(strict_types=1);

namespace App\Setup;

use OpenApi\Attributes as OA;

/** What a machine reports beside what is written down of it. */
#[OA\Schema]
final readonly class SeenCard
{
    /**
     * @param list<string> $differs
     */
    public function __construct(
        #[OA\Property]
        public string $says,
        #[OA\Property]
        public bool $agrees,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))]
        public array $differs,
        #[OA\Property]
        public string $means,
    ) {
    }
}
