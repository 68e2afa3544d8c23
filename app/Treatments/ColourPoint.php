<?php

declare(strict_types=1);

namespace App\Treatments;

use OpenApi\Attributes as OA;

/** A reading of colours. */
#[OA\Schema]
final readonly class ColourPoint
{
    /**
     * @param list<string> $reasons
     */
    public function __construct(
        #[OA\Property]
        public string $entry,
        #[OA\Property]
        public string $at,
        #[OA\Property]
        public string $picture,
        #[OA\Property]
        public ?string $yellowness,
        #[OA\Property]
        public ?float $hours,
        #[OA\Property]
        public float $delta,
        #[OA\Property]
        public string $delta_words,
        #[OA\Property]
        public string $says,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))]
        public array $reasons,
    ) {
    }
}
