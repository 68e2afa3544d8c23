<?php

declare(strict_types=1);

namespace App\Isolation;

use Ash\Isolation\SwapOutcome;
use OpenApi\Attributes as OA;

/** Parts that were fitted together. */
#[OA\Schema]
final readonly class SwapRunCard
{
    /**
     * @param list<string> $parts
     * @param list<string> $changed
     */
    public function __construct(
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))]
        public array $parts,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'), description: 'parts that the run before had not')]
        public array $changed,
        #[OA\Property(enum: SwapOutcome::class)]
        public SwapOutcome $outcome,
        #[OA\Property()]
        public string $outcome_words,
        #[OA\Property(description: 'beeps as heard, the condition')]
        public string $note,
        #[OA\Property(description: 'the job of another machine that tried it with one of these boards')]
        public ?string $elsewhere,
        #[OA\Property()]
        public ?string $elsewhere_id,
    ) {
    }
}
