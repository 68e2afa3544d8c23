<?php

declare(strict_types=1);

namespace Ash\Setup;

use Ash\Document\Field\Name;
use Ash\Document\Field\Whole;

/** A place on a SCSI chain as it was written down. */
final readonly class ScsiPlace
{
    public function __construct(
        #[Name] public string $name,
        #[Whole(0, 255)] public int $id,
        public bool $terminated,
        public ?bool $host = null,
        public ?bool $boot = null,
    ) {
    }

    public function words(): string
    {
        return "{$this->name} {$this->id}".($this->host === true ? ' host' : '').($this->boot === true ? ' boot' : '')
            .($this->terminated ? ' terminated' : '');
    }
}
