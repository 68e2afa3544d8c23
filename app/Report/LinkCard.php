<?php

declare(strict_types=1);

namespace App\Report;

use OpenApi\Attributes as OA;

/** A read-only link to one report. */
#[OA\Schema]
final readonly class LinkCard
{
    public function __construct(
        #[OA\Property()]
        public string $id,
        #[OA\Property()]
        public string $url,
        #[OA\Property()]
        public string $author,
        #[OA\Property()]
        public string $expires_at,
        #[OA\Property()]
        public bool $open,
    ) {
    }
}
