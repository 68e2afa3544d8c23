<?php

declare(strict_types=1);

namespace App\Shelf;

use OpenApi\Attributes as OA;

/** Parts of one sort on the shelf. */
#[OA\Schema]
final readonly class ShelfCard
{
    public function __construct(
        #[OA\Property()]
        public string $id,
        #[OA\Property()]
        public string $sku,
        #[OA\Property()]
        public string $name,
        #[OA\Property()]
        public ?string $kind,
        #[OA\Property(description: 'in words')]
        public ?string $value,
        #[OA\Property()]
        public int $quantity,
        #[OA\Property()]
        public int $reserved,
        #[OA\Property()]
        public int $free,
        #[OA\Property()]
        public bool $low,
        #[OA\Property()]
        public ?int $low_at,
        #[OA\Property()]
        public string $place,
        #[OA\Property()]
        public ?string $source,
        #[OA\Property(description: 'name of the board an original came from')]
        public ?string $donor_board,
        #[OA\Property()]
        public ?string $donor_board_id,
        #[OA\Property()]
        public bool $tested,
        #[OA\Property()]
        public string $came_on,
        #[OA\Property()]
        public ?float $diameter_mm,
        #[OA\Property()]
        public ?float $height_mm,
        #[OA\Property()]
        public ?float $pitch_mm,
        #[OA\Property()]
        public ?float $temperature_c,
        #[OA\Property()]
        public ?float $hours,
    ) {
    }
}
