<?php

declare(strict_types=1);

namespace App\Isolation;

use App\Bench\ChoiceCard;
use OpenApi\Attributes as OA;

/** A test that tells causes apart. */
#[OA\Schema]
final readonly class TestRow
{
    /**
     * @param list<ChoiceCard> $outcomes
     * @param list<string>     $blocked
     * @param list<string>     $needs
     */
    public function __construct(
        #[OA\Property()]
        public string $id,
        #[OA\Property()]
        public string $words,
        #[OA\Property()]
        public ?string $how,
        #[OA\Property()]
        public ?string $danger,
        #[OA\Property(description: 'of a practised person')]
        public float $minutes,
        #[OA\Property(type: 'array', items: new OA\Items(ref: ChoiceCard::class))]
        public array $outcomes,
        #[OA\Property(description: 'what it is expected to tell; null for what is blocked or made')]
        public ?string $gain,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'), description: 'what would unblock it, in words')]
        public array $blocked,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'), description: 'the same, as they are asked for')]
        public array $needs,
        #[OA\Property(description: 'of one that was made')]
        public ?string $outcome,
        #[OA\Property(description: 'what a room found that says so; null for what somebody made')]
        public ?string $found_by = null,
    ) {
    }
}
