<?php

declare(strict_types=1);

namespace App\Corrosion;

use App\Bench\StripCard;
use Ash\Corrosion\TraceVerdict;
use OpenApi\Attributes as OA;

/** A place that the leak touched, and its continuity as it was last read. */
#[OA\Schema]
final readonly class PlaceCard
{
    /** @param list<string> $reasons */
    public function __construct(
        #[OA\Property(description: 'the entry')]
        public string $id,
        #[OA\Property()]
        public string $place,
        #[OA\Property()]
        public int $grade,
        #[OA\Property()]
        public string $says,
        #[OA\Property()]
        public string $limits,
        #[OA\Property()]
        public ?string $value,
        #[OA\Property(description: 'sound, thin or open', enum: TraceVerdict::class)]
        public ?TraceVerdict $verdict,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))]
        public array $reasons,
        #[OA\Property(description: 'the reading that stands')]
        public ?string $entry_id,
        #[OA\Property()]
        public StripCard $strip,
    ) {
    }
}
