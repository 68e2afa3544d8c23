<?php

declare(strict_types=1);

namespace App\Memory;

use Ash\Memory\SuspectKind;
use OpenApi\Attributes as OA;

/** One suspect of a memory test. */
#[OA\Schema]
final readonly class MemorySuspect
{
    /**
     * @param list<string> $refs
     */
    public function __construct(
        #[OA\Property()]
        public int $rank,
        #[OA\Property(enum: SuspectKind::class)]
        public SuspectKind $kind,
        #[OA\Property()]
        public string $kind_words,
        #[OA\Property()]
        public string $called,
        #[OA\Property()]
        public float $probability,
        #[OA\Property()]
        public string $percent,
        #[OA\Property()]
        public string $text,
        #[OA\Property()]
        public string $explains,
        #[OA\Property()]
        public string $against,
        #[OA\Property()]
        public string $action,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))]
        public array $refs,
    ) {
    }
}
