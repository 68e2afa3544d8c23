<?php

declare(strict_types=1);

namespace Ash\Logbook\Entries;

use Ash\Document\Field\ListOf;
use Ash\Document\Field\Text;
use Ash\Document\WrittenEmpty;
use Ash\Logbook\EntryData;
use Ash\Logbook\Outcome;

/** A job ends. */
final readonly class JobClosed implements EntryData
{
    public const KIND = 'outcome';

    /** @param list<string> $limits what does not work, one line each */
    public function __construct(
        public Outcome $outcome,
        public bool $handedBack,
        #[WrittenEmpty]
        #[ListOf(new Text(300))]
        public array $limits = [],
        #[Text(200)]
        public ?string $waitingFor = null,
        #[Text(500)]
        public ?string $nextTime = null,
    ) {
    }

    public function sentence(string $text): string
    {
        return $this->outcome->words().($this->handedBack ? ', handed back' : ', not handed back')
            .($this->limits === [] ? '' : '. Limits: '.implode('; ', $this->limits))
            .($this->waitingFor === null ? '' : ". Waits for {$this->waitingFor}").($this->nextTime === null ? '' : ". Next time: {$this->nextTime}");
    }
}
