<?php

declare(strict_types=1);

namespace App\People;

use OpenApi\Attributes as OA;

/** Someone who signs in. */
#[OA\Schema]
final readonly class PersonCard
{
    public function __construct(
        #[OA\Property()]
        public string $id,
        #[OA\Property()]
        public string $name,
        #[OA\Property()]
        public string $email,
        #[OA\Property(enum: Role::class)]
        public Role $role,
        #[OA\Property()]
        public bool $active,
    ) {
    }
}
