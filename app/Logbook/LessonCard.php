<?php

declare(strict_types=1);

namespace App\Logbook;

use OpenApi\Attributes as OA;

/** A revision of a kind's description: who made it, and from which job it was learned. */
#[OA\Schema]
final readonly class LessonCard
{
    /** @param list<string> $changed */
    public function __construct(
        #[OA\Property()]
        public int $revision,
        #[OA\Property()]
        public string $at,
        #[OA\Property()]
        public string $author,
        #[OA\Property()]
        public ?string $job_id,
        #[OA\Property()]
        public ?string $job_label,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'), description: 'fields of the description that it changed')]
        public array $changed,
    ) {
    }
}
