<?php

declare(strict_types=1);

namespace Ash\Facts;

/** Something that an entry opened and no entry has ended: a temporary fix, a part that is waited for, a clock test that runs. */
final readonly class OpenThing implements Fact
{
    /**
     * @param string  $kind  hazard, waiting, or a word of the room that opened it
     * @param ?string $asked of whom
     * @param ?string $ready where what was waited for lies now
     */
    public function __construct(
        public string $kind,
        public string $text,
        public \DateTimeImmutable $since,
        public ?string $asked = null,
        public ?\DateTimeImmutable $due = null,
        public ?string $ready = null,
    ) {
    }
}
