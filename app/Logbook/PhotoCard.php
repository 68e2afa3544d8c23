<?php

declare(strict_types=1);

namespace App\Logbook;

use Ash\Logbook\Entries\Phase;
use OpenApi\Attributes as OA;

/** A picture of a job with its pins. */
#[OA\Schema]
final readonly class PhotoCard
{
    /** @param list<PinCard> $pins */
    public function __construct(
        #[OA\Property()]
        public string $id,
        #[OA\Property()]
        public string $caption,
        #[OA\Property(description: 'what it shows')]
        public ?string $of,
        #[OA\Property(description: 'before or after the work', enum: Phase::class)]
        public ?Phase $phase,
        #[OA\Property()]
        public string $at,
        #[OA\Property()]
        public string $author,
        #[OA\Property()]
        public int $width,
        #[OA\Property()]
        public int $height,
        #[OA\Property(description: 'address of the picture')]
        public string $url,
        #[OA\Property(description: 'address of the thumbnail')]
        public string $thumbnail,
        #[OA\Property(type: 'array', items: new OA\Items(ref: PinCard::class))]
        public array $pins,
    ) {
    }
}
