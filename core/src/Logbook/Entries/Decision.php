<?php

declare(strict_types=1);

namespace Ash\Logbook\Entries;

use Ash\Document\Field\Text;
use Ash\Document\Node;
use Ash\Document\Settled;
use Ash\Facts\Band;
use Ash\Facts\CapacitorKind;
use Ash\Facts\ReplacePolicy;
use Ash\Logbook\EntryData;

/** A decision with its reason: in words, on the band of a rail, or on what happens to a kind of capacitor. */
final readonly class Decision implements EntryData, Settled
{
    public const KIND = 'decision';

    public function __construct(
        #[Text(500)]
        public string $reason,
        #[Text(40)]
        public ?string $rail = null,
        public ?Band $band = null,
        public ?CapacitorKind $capacitors = null,
        public ?ReplacePolicy $policy = null,
    ) {
    }

    public function settled(Node $read): static
    {
        ($this->rail === null) === ($this->band === null) || $read->refuse('rail and band come together');
        ($this->capacitors === null) === ($this->policy === null) || $read->refuse('capacitors and policy come together');

        return $this;
    }

    public function sentence(string $text): string
    {
        return "Decided: {$text}, because {$this->reason}";
    }
}
