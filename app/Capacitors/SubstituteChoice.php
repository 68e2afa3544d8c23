<?php

declare(strict_types=1);

namespace App\Capacitors;

use App\Shelf\ShelfCard;
use Ash\Capacitors\ChoiceVerdict;
use OpenApi\Attributes as OA;

/** A part of the shelf beside the original. */
#[OA\Schema]
final readonly class SubstituteChoice
{
    /**
     * @param list<string> $reasons
     */
    public function __construct(
        #[OA\Property()]
        public ShelfCard $item,
        #[OA\Property(enum: ChoiceVerdict::class)]
        public ChoiceVerdict $verdict,
        #[OA\Property()]
        public string $words,
        #[OA\Property()]
        public float $score,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))]
        public array $reasons,
        #[OA\Property(description: 'at the board')]
        public ?string $life,
    ) {
    }

    public function fits(): bool
    {
        return $this->verdict !== ChoiceVerdict::No;
    }
}
