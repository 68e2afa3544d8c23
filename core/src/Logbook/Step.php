<?php

declare(strict_types=1);

namespace Ash\Logbook;

/** Something to do on a job, in words, and the room where it is done. */
final readonly class Step
{
    /**
     * @param ?string      $room     where to go; "line" and "close" are places of the job page
     * @param ?float       $minutes  of hands, where somebody has said how long it takes
     * @param bool         $hands    whether somebody must be there
     * @param list<string> $occupies instruments, vessels and places that it takes up
     */
    public function __construct(
        public string $text,
        public string $why,
        public ?string $room,
        public Urgency $urgency = Urgency::Work,
        public ?float $minutes = null,
        public bool $hands = true,
        public array $occupies = [],
    ) {
    }
}
