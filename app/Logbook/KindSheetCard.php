<?php

declare(strict_types=1);

namespace App\Logbook;

use OpenApi\Attributes as OA;

#[OA\Schema]
final readonly class KindSheetCard
{
    public function __construct(
        #[OA\Property()]
        public string $id,
        #[OA\Property()]
        public string $what,
        #[OA\Property()]
        public string $name,
        #[OA\Property()]
        public ?string $note,
        #[OA\Property()]
        public int $bytes,
        #[OA\Property(description: 'hexadecimal, as in ISO 3309')]
        public string $crc32,
        #[OA\Property()]
        public string $sha256,
        #[OA\Property()]
        public string $author,
        #[OA\Property(format: 'date-time')]
        public string $at,
    ) {
    }
}
