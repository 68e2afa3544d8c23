<?php

declare(strict_types=1);

namespace Ash\Memory;

use Ash\Document\Field\Text;
use Ash\Document\Node;
use Ash\Document\Settled;
use Ash\Logbook\EntryData;

/** Rows of memory chips of a machine of which no map was known. */
final readonly class MemorySaid implements EntryData, Settled
{
    public const KIND = 'memory_said';

    public function __construct(#[Text(120)] public string $line)
    {
    }

    public function settled(Node $read): static
    {
        $at = $read->at('line')->pointer;
        RowsLine::read($this->line, $at)->memory('main', $at);

        return $this;
    }

    public function sentence(string $text): string
    {
        return 'Memory: '.RowsLine::read($this->line, '')->words();
    }
}
