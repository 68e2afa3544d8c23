<?php

declare(strict_types=1);

namespace Ash\Logbook\Entries;

use Ash\Document\Field\Text;
use Ash\Logbook\EntryData;

/** Something that a job waits for. */
final readonly class WaitingFor implements EntryData
{
    public const KIND = 'waiting';

    public function __construct(
        #[Text(200)]
        public string $for,
        #[Text(120)]
        public ?string $asked = null,
        public ?\DateTimeImmutable $since = null,
    ) {
    }

    public function sentence(string $text): string
    {
        return "Waiting for {$this->for}".($this->asked === null ? '' : ", asked of {$this->asked}");
    }
}
