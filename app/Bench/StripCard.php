<?php

declare(strict_types=1);

namespace App\Bench;

use Ash\Quantity\Strip;
use OpenApi\Attributes as OA;

/** Where things stand on a tolerance strip, as shares of its width. */
#[OA\Schema]
final readonly class StripCard
{
    public function __construct(
        #[OA\Property()]
        public float $low,
        #[OA\Property()]
        public float $high,
        #[OA\Property()]
        public float $guard,
        #[OA\Property()]
        public float $nominal,
        #[OA\Property()]
        public ?float $tick,
        #[OA\Property()]
        public bool $beyond,
        #[OA\Property()]
        public ?float $ghost,
        #[OA\Property()]
        public ?float $wide_low,
        #[OA\Property()]
        public ?float $wide_high,
    ) {
    }

    public static function of(Strip $strip): self
    {
        return new self(
            low: $strip->low,
            high: $strip->high,
            guard: $strip->guard,
            nominal: $strip->nominal,
            tick: $strip->tick,
            beyond: $strip->beyond,
            ghost: $strip->ghost,
            wide_low: $strip->wideLow,
            wide_high: $strip->wideHigh,
        );
    }
}
