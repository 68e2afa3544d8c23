<?php

declare(strict_types=1);

namespace App\Logbook;

use OpenApi\Attributes as OA;

/** What a quick line would become. */
#[OA\Schema]
final readonly class LinePreview
{
    public function __construct(
        #[OA\Property()]
        public string $kind,
        #[OA\Property()]
        public string $kind_words,
        #[OA\Property()]
        public string $says,
        #[OA\Property()]
        public int $minutes,
        #[OA\Property(description: 'why it is kept as an observation only')]
        public ?string $doubt,
        /** @var list<string> */
        #[OA\Property(description: 'how the line may go on', type: 'array', items: new OA\Items(type: 'string'))]
        public array $goes_on,
    ) {
    }
}
