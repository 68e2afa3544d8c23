<?php

declare(strict_types=1);

namespace Ash\Setup;

use Ash\Document\Field\Name;
use Ash\Document\Field\Whole;

/** A drive on a floppy cable as it was written down. */
final readonly class CableDrive
{
    public function __construct(
        #[Name] public string $name,
        #[Whole(0, 3)] public int $select,
        public bool $behindTwist,
        public ?bool $terminated = null,
        public ?Pin34 $pin34 = null,
    ) {
    }

    public function words(): string
    {
        return "{$this->name} select {$this->select}".($this->behindTwist ? ' behind the twist' : '')
            .($this->terminated === null ? '' : ($this->terminated ? ' terminated' : ' not terminated'))
            .($this->pin34 === null ? '' : " says {$this->pin34->value}");
    }
}
