<?php

declare(strict_types=1);

namespace App\Batteries;

use Ash\Batteries\Option;
use Ash\Batteries\Suits;
use OpenApi\Attributes as OA;

/** One replacement against this board's numbers, ready to be drawn. */
#[OA\Schema]
final readonly class OptionCard
{
    /**
     * @param list<string> $needs
     * @param list<string> $reasons
     */
    public function __construct(
        #[OA\Property(enum: Option::class)]
        public Option $id,
        #[OA\Property()]
        public string $words,
        #[OA\Property()]
        public string $school,
        #[OA\Property()]
        public ?string $volts,
        #[OA\Property()]
        public string $years,
        #[OA\Property()]
        public ?string $charge,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))]
        public array $needs,
        #[OA\Property(description: 'what must be in and measured before it counts as fitted')]
        public ?string $confirm,
        #[OA\Property()]
        public bool $leaks,
        #[OA\Property(enum: Suits::class)]
        public Suits $verdict,
        #[OA\Property()]
        public string $verdict_words,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))]
        public array $reasons,
        #[OA\Property(description: 'end and fresh on the strip, as shares of its width; null where there are no volts')]
        public ?SpanCard $span,
        #[OA\Property()]
        public bool $recommended,
        #[OA\Property(description: 'why it is recommended')]
        public ?string $because,
        #[OA\Property(description: 'when it should be looked at again')]
        public string $recheck_at,
    ) {
    }
}
