<?php

declare(strict_types=1);

namespace Ash\Logbook\Entries;

use Ash\Document\Field\ListOf;
use Ash\Document\Field\Text;
use Ash\Logbook\EntryData;

/** One item taken out: what, with which fixings, which way round its connectors sat, and what was stuck, broken or missing. */
final readonly class TakenOut implements EntryData
{
    public const KIND = 'strip';

    /**
     * @param list<Fixing>        $fixings
     * @param list<Connector>     $connectors
     * @param list<ItemCondition> $condition
     */
    public function __construct(
        #[Text(160)]
        public string $what,
        #[Fixings]
        public array $fixings = [],
        #[ListOf(Connector::class)]
        public array $connectors = [],
        #[ListOf(ItemCondition::class)]
        public array $condition = [],
    ) {
    }

    public function sentence(string $text): string
    {
        return implode('; ', array_filter([
            $this->what,
            Fixing::words($this->fixings),
            implode(', ', array_map(static fn (Connector $it): string => $it->words(), $this->connectors)),
            implode(', ', array_map(static fn (ItemCondition $it): string => $it->value, $this->condition)),
        ]));
    }
}
