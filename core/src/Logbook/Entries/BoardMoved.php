<?php

declare(strict_types=1);

namespace Ash\Logbook\Entries;

use Ash\Document\Field\Id;
use Ash\Document\Field\Text;
use Ash\Document\Kept;
use Ash\Document\Node;
use Ash\Document\Settled;
use Ash\Logbook\EntryData;

/** A board goes into a place of a machine, or out of one onto the shelf; lent: as a known-good one that goes home again. */
final readonly class BoardMoved implements EntryData, Settled
{
    public const KIND = 'board_moved';

    /**
     * @param ?string $to    the machine it goes into; null: taken out, onto the shelf
     * @param ?string $place of that machine
     */
    public function __construct(
        #[Id]
        public string $board,
        #[Id]
        public ?string $to = null,
        #[Text(40)]
        public ?string $place = null,
        public ?bool $lent = null,
        #[Kept]
        #[Text]
        public string $name = 'board',
        #[Kept]
        #[Text]
        public ?string $from = null,
        #[Kept]
        #[Text]
        public ?string $into = null,
    ) {
    }

    public function settled(Node $read): static
    {
        ($this->to === null) === ($this->place === null) || $read->refuse('must have to and place, or neither of them');
        $this->lent !== true || $this->to !== null || $read->at('lent')->refuse('is said of a board that goes into a machine');

        return $this;
    }

    public function sentence(string $text): string
    {
        $from = $this->from === null ? '' : " out of {$this->from}";

        return $this->into === null
            ? "{$this->name} taken{$from}, onto the shelf"
            : "{$this->name}".($this->lent === true ? ' lent as a known-good one' : ' fitted')." in {$this->into}, {$this->place}"
                .($from === '' ? '' : ",{$from}");
    }
}
