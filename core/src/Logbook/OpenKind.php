<?php

declare(strict_types=1);

namespace Ash\Logbook;

/** A kind of open thing, as the room brings it whose entries open it: what it is called, and the entry that ends it with one press. */
final readonly class OpenKind
{
    /**
     * @param string  $name     as it is stored
     * @param string  $words    for people
     * @param bool    $urgent   the board should not go back before it has ended
     * @param ?string $endedBy  kind of the entry that ends it with nothing more to be said; null when more must be said
     * @param ?string $field    the field of that entry's data that names it
     * @param ?string $endWords what ending it is called
     */
    public function __construct(
        public string $name,
        public string $words,
        public bool $urgent = false,
        public ?string $endedBy = null,
        public ?string $field = null,
        public ?string $endWords = null,
    ) {
    }
}
