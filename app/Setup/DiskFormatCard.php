<?php

declare(strict_types=1);

namespace App\Setup;

use OpenApi\Attributes as OA;

/** A format that is commonly met, as the sums take it. */
#[OA\Schema]
final readonly class DiskFormatCard
{
    public function __construct(
        #[OA\Property]
        public string $words,
        #[OA\Property]
        public string $size,
        #[OA\Property]
        public int $tracks,
        #[OA\Property]
        public int $sides,
        #[OA\Property]
        public int $sectors,
        #[OA\Property]
        public int $bytes,
        #[OA\Property]
        public string $encoding,
    ) {
    }
}
