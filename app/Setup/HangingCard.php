<?php

declare(strict_types=1);

namespace App\Setup;

use OpenApi\Attributes as OA;

/** A device on a cable, in the order in which they hang. */
#[OA\Schema]
final readonly class HangingCard
{
    public function __construct(
        #[OA\Property]
        public string $name,
        #[OA\Property]
        public string $stands,
        #[OA\Property]
        public string $marks,
        #[OA\Property]
        public bool $host,
        #[OA\Property]
        public bool $twist,
        #[OA\Property]
        public bool $ends,
        #[OA\Property]
        public bool $wrong,
    ) {
    }
}
