<?php

declare(strict_types=1);

namespace Ash\Logbook;

use Ash\Document\Node;
use Ash\Logbook\Entries\OpenItemNamed;

/** What one line was understood to say. */
final readonly class LineSaid
{
    /** Where faults of what a line says are found: it has no fields of its own. */
    public const POINTER = '/line/said';

    /**
     * @param string              $kind  of the entry
     * @param \stdClass|EntryData $data  fields of the entry, not checked yet; or what the record has to complete before it is an entry
     * @param ?string             $match words by which an open item is to be found
     * @param ?string             $doubt why the line is kept as an observation only
     * @param ?self               $also  what the same line says besides
     */
    public function __construct(
        public string $kind,
        public string $text,
        public \stdClass|EntryData $data = new \stdClass(),
        public ?string $match = null,
        public int $minutes = 0,
        public ?string $doubt = null,
        public ?self $also = null,
    ) {
    }

    public static function observation(string $line, int $minutes = 0, ?string $doubt = null): self
    {
        return new self(LogbookRoom::OBSERVATION, $line, minutes: $minutes, doubt: $doubt);
    }

    public function lasting(int $minutes): self
    {
        return new self(
            kind: $this->kind, text: $this->text, data: $this->data, match: $this->match, minutes: $minutes, doubt: $this->doubt, also: $this->also,
        );
    }

    /** @throws \Ash\Document\InvalidDocument below POINTER */
    public function read(Kinds $kinds): EntryData
    {
        return match (true) {
            $this->match !== null => new OpenItemNamed($this->match),
            $this->data instanceof EntryData => $this->data,
            default => $kinds->read($kinds->all[$this->kind], Node::of($this->data, self::POINTER)),
        };
    }
}
