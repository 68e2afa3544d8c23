<?php

declare(strict_types=1);

namespace App\Logbook;

use OpenApi\Attributes as OA;

/** An entry of the record. */
#[OA\Schema]
final readonly class EntryCard
{
    public function __construct(
        #[OA\Property()]
        public string $id,
        #[OA\Property()]
        public string $job_id,
        #[OA\Property()]
        public ?string $board_id,
        #[OA\Property()]
        public string $kind,
        #[OA\Property()]
        public string $kind_words,
        #[OA\Property()]
        public string $stage_words,
        #[OA\Property()]
        public string $at,
        #[OA\Property()]
        public string $author,
        #[OA\Property()]
        public int $minutes,
        #[OA\Property(description: 'the entry in words')]
        public string $says,
        #[OA\Property(description: 'of a reading')]
        public ?string $verdict,
        #[OA\Property(type: 'object', additionalProperties: true, description: 'the structured part, for a form that corrects it')]
        public \stdClass $data,
        #[OA\Property()]
        public string $text,
        #[OA\Property()]
        public ?string $corrects_id,
        #[OA\Property()]
        public ?string $corrected_by,
        #[OA\Property(description: 'what a person says of its verdict instead')]
        public ?OverruledCard $overruled = null,
    ) {
    }
}
