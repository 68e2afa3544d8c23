<?php

declare(strict_types=1);

namespace App\Rails;

use Ash\Rails\Family;
use OpenApi\Attributes as OA;

/** A family of supplies: a starting point, said to be one. */
#[OA\Schema]
final readonly class FamilyCard
{
    public function __construct(
        #[OA\Property(enum: Family::class)]
        public Family $id,
        #[OA\Property(description: 'its rails, in words; empty where only the label can say')]
        public string $rails,
        #[OA\Property()]
        public string $how_to_know,
    ) {
    }

    /** @return list<self> */
    public static function all(): array
    {
        return array_map(static fn (Family $it): self => new self(
            $it,
            implode(', ', array_map(static fn (array $rail): string => is_string($rail['name'] ?? null) ? $rail['name'] : '', $it->rails())),
            $it->howToKnow(),
        ), Family::cases());
    }
}
