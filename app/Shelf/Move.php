<?php

declare(strict_types=1);

namespace App\Shelf;

/** Something comes to the shelf or leaves it. */
final readonly class Move
{
    /**
     * @param string  $why   received, counted, used, returned or kept
     * @param ?string $id    ULID that the client made; null: it gets one
     * @param ?string $entry of the record, that took it
     */
    public function __construct(
        public string $item,
        public int $by,
        public string $why,
        public string $author,
        public ?string $note = null,
        public ?string $id = null,
        public ?string $job = null,
        public ?string $entry = null,
    ) {
    }
}
