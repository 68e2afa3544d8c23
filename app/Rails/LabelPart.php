<?php

declare(strict_types=1);

namespace App\Rails;

use OpenApi\Attributes as OA;

/** A part of a label's line: read, or left as it was written with what is wrong with it. */
#[OA\Schema]
final readonly class LabelPart
{
    public function __construct(
        #[OA\Property()]
        public string $text,
        #[OA\Property()]
        public ?string $wrong,
    ) {
    }
}
