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
     * @param string    $kind  of the entry
     * @param \stdClass $data  fields of the entry, not checked yet
     * @param ?string   $match words by which an open item is to be found
     */
    public function __construct(
        public string $kind,
        public string $text,
        public \stdClass $data = new \stdClass(),
        public ?string $match = null,
        public int $minutes = 0,
    ) {
    }

    public function lasting(int $minutes): self
    {
        return new self($this->kind, $this->text, $this->data, $this->match, $minutes);
    }

    /** @throws \Ash\Document\InvalidDocument below POINTER */
    public function read(Kinds $kinds): EntryData
    {
        return $this->match === null ? $kinds->read($kinds->all[$this->kind], Node::of($this->data, self::POINTER)) : new OpenItemNamed($this->match);
    }
}
