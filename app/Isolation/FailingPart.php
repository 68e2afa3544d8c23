<?php

declare(strict_types=1);

namespace App\Isolation;

use OpenApi\Attributes as OA;

/** A part of a kind of machine, how often it was tested and how often it was bad. */
#[OA\Schema]
final readonly class FailingPart
{
    public function __construct(
        #[OA\Property()]
        public string $part,
        #[OA\Property()]
        public string $board,
        #[OA\Property()]
        public int $bad,
        #[OA\Property()]
        public int $tested,
        #[OA\Property()]
        public string $interval,
    ) {
    }
}
