<?php

declare(strict_types=1);

namespace App\Logbook;

use OpenApi\Attributes as OA;

/** A revision of a kind's description: who made it, and from which job it was learned. */
#[OA\Schema]
final readonly class LessonCard
{
    private const SITTING_HOURS = 4;

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

    /** Lessons of one job and one person within a sitting are one, called by its last revision; null when they are not. */
    public function inOneSittingWith(self $earlier): ?self
    {
        $hours = (strtotime($this->at) - strtotime($earlier->at)) / 3600;

        return $this->job_id === null || $this->job_id !== $earlier->job_id || $this->author !== $earlier->author || $hours > self::SITTING_HOURS
            ? null
            : new self(
                $this->revision, $this->at, $this->author, $this->job_id, $this->job_label,
                array_values(array_unique([...$earlier->changed, ...$this->changed])),
            );
    }
}
