<?php

declare(strict_types=1);

namespace App\Memory;

use Ash\Memory\Pattern;
use Ash\Quantity\Radix;
use OpenApi\Attributes as OA;

/** What came in from a test, before anyone keeps it. */
#[OA\Schema]
final readonly class SourceCard
{
    /**
     * @param list<string>   $tested
     * @param list<ReadLine> $shown
     * @param list<ReadLine> $left
     * @param list<string>   $tail
     */
    public function __construct(
        #[OA\Property()]
        public string $id,
        #[OA\Property()]
        public string $job_id,
        #[OA\Property()]
        public string $map,
        #[OA\Property()]
        public string $kind,
        #[OA\Property(enum: SourceState::class)]
        public SourceState $state,
        #[OA\Property(description: 'of the state')]
        public string $words,
        #[OA\Property()]
        public ?string $why,
        #[OA\Property(description: 'still coming in')]
        public bool $active,
        #[OA\Property(enum: Radix::class)]
        public Radix $radix,
        #[OA\Property(enum: Pattern::class)]
        public Pattern $pattern,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))]
        public array $tested,
        #[OA\Property()]
        public string $author,
        #[OA\Property()]
        public string $started_at,
        #[OA\Property()]
        public ?string $heard_at,
        #[OA\Property()]
        public int $lines,
        #[OA\Property()]
        public int $recognised,
        #[OA\Property()]
        public int $left_over,
        #[OA\Property(description: 'no error, and lines that nobody understood: it is not clean')]
        public bool $not_read,
        #[OA\Property(type: 'array', items: new OA\Items(ref: ReadLine::class))]
        public array $shown,
        #[OA\Property(type: 'array', items: new OA\Items(ref: ReadLine::class))]
        public array $left,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))]
        public array $tail,
        #[OA\Property()]
        public int $passes,
        #[OA\Property()]
        public int $failed_passes,
        #[OA\Property(description: 'of a capture, from its first line to its last')]
        public ?float $seconds_per_pass,
        #[OA\Property(enum: Radix::class)]
        public ?Radix $better_radix,
        #[OA\Property(description: 'when it was read in the wrong radix')]
        public ?string $advice,
        #[OA\Property()]
        public LocatedCard $located,
        #[OA\Property()]
        public SocketsCard $sockets,
    ) {
    }
}
