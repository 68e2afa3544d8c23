<?php

declare(strict_types=1);

namespace Ash\Logbook\Entries;

use Ash\Logbook\EntryData;

/** An open temporary fix or part waited for, called by words that are in its text: the record finds which one is meant. */
final readonly class OpenItemNamed implements EntryData
{
    public function __construct(public string $match)
    {
    }

    public function sentence(string $text): string
    {
        return $text;
    }
}
