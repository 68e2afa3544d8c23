<?php

declare(strict_types=1);

namespace Ash\Batteries;

use Ash\Logbook\EntryData;

/** A clock set: a test of the battery begins. */
final readonly class ClockSet implements EntryData
{
    public const KIND = 'clock';

    public function __construct(public \DateTimeImmutable $setAt, public ?\DateTimeImmutable $dueAt = null)
    {
    }

    public function sentence(string $text): string
    {
        return 'Clock set; the test runs'.($this->dueAt === null ? '' : " until {$this->dueAt->format('Y-m-d\TH:i:sP')}");
    }
}
