<?php

declare(strict_types=1);

namespace Ash\Logbook;

/** Stored data that nobody here can read: kept to the byte, shown as text, and counting for nothing. */
final readonly class UnreadEntry implements EntryData
{
    public function __construct(public string $kind, public string $json, public string $why)
    {
    }

    public function sentence(string $text): string
    {
        $said = $text === '' ? '' : "{$text}. ";

        return "{$said}This entry of kind \"{$this->kind}\" cannot be read here ({$this->why}) and counts for nothing: {$this->json}";
    }
}
