<?php

declare(strict_types=1);

namespace App\Setup;

use OpenApi\Attributes as OA;

/** A resource of the machine: who holds what, and what is free. */
#[OA\Schema]
final readonly class SetupHeld
{
    /**
     * @param list<string> $held
     * @param list<string> $free
     */
    public function __construct(
        #[OA\Property]
        public string $words,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))]
        public array $held,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))]
        public array $free,
    ) {
    }
}
