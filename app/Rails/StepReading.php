<?php

declare(strict_types=1);

namespace App\Rails;

use Ash\Rails\Verdict;
use OpenApi\Attributes as OA;

/** The reading of a step. */
#[OA\Schema]
final readonly class StepReading
{
    /**
     * @param list<string> $reasons
     */
    public function __construct(
        #[OA\Property()]
        public string $entry_id,
        #[OA\Property()]
        public string $says,
        #[OA\Property()]
        public ?string $volts,
        #[OA\Property(enum: Verdict::class)]
        public ?Verdict $verdict,
        #[OA\Property()]
        public string $verdict_words,
        #[OA\Property(description: 'where today\'s rules judge otherwise than the closed job kept')]
        public ?string $today,
        #[OA\Property()]
        public string $decided_by,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))]
        public array $reasons,
        #[OA\Property()]
        public ?string $ripple,
        #[OA\Property()]
        public bool $ripple_out,
        #[OA\Property()]
        public bool $conclusive,
        #[OA\Property()]
        public string $at,
        #[OA\Property()]
        public string $author,
        #[OA\Property()]
        public string $meter,
    ) {
    }
}
