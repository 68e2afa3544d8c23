<?php

declare(strict_types=1);

namespace Ash\Setup;

use Ash\Document\Node;

/** The host or a device on a SCSI chain. */
final readonly class ScsiEntry
{
    private function __construct(public string $name, public bool $host, public int $id, public bool $terminated, public bool $boot)
    {
    }

    public static function read(Node $node): self
    {
        $node->only('name', 'host', 'id', 'terminated', 'boot');

        return new self(
            $node->at('name')->name(),
            $node->optional('host')?->bool() ?? false,
            $node->at('id')->integer(0),
            $node->at('terminated')->bool(),
            $node->optional('boot')?->bool() ?? false,
        );
    }
}
