<?php

declare(strict_types=1);

namespace Ash\Logbook\Entries;

use Ash\Logbook\EntryData;

/** An entry that is its words: a symptom, something seen or done, a temporary fix. */
final readonly class Words implements EntryData
{
    public function sentence(string $text): string
    {
        return $text;
    }
}
