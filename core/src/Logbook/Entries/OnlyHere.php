<?php

declare(strict_types=1);

namespace Ash\Logbook\Entries;

use Ash\Document\Field\Text;
use Ash\Facts\Fact;
use Ash\Logbook\EntryData;

/** What is true of this board only: a modification, a replaced socket. It shows wherever its kind's description would mislead. */
final readonly class OnlyHere implements EntryData, Fact
{
    public const KIND = 'only_here';

    /** @param string $about a rail, a designator, a place, as the description calls it */
    public function __construct(#[Text(60)] public string $about, #[Text(300)] public string $is)
    {
    }

    public function words(): string
    {
        return "{$this->about} {$this->is}";
    }

    public function sentence(string $text): string
    {
        return "On this board only: {$this->words()}";
    }
}
