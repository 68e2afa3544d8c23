<?php

declare(strict_types=1);

namespace App\Rails;

use Ash\Rails\CauseCode;
use OpenApi\Attributes as OA;

/** A likely cause. */
#[OA\Schema]
final readonly class CauseCard
{
    /**
     * @param list<string> $rails
     * @param list<string> $evidence
     */
    public function __construct(
        #[OA\Property(enum: CauseCode::class)]
        public CauseCode $code,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))]
        public array $rails,
        #[OA\Property()]
        public string $text,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))]
        public array $evidence,
    ) {
    }
}
