<?php

declare(strict_types=1);

namespace Ash\Setup;

use Ash\Document\Node;

/** A floppy drive on a cable. */
final readonly class FloppyDrive
{
    private function __construct(public string $name, public int $select, public bool $behindTwist, public ?bool $terminated, public ?Pin34 $pin34)
    {
    }

    public static function read(Node $node): self
    {
        $node->only('name', 'select', 'behind_twist', 'terminated', 'pin34');

        return new self(
            $node->at('name')->name(),
            $node->at('select')->integer(0, 3),
            $node->at('behind_twist')->bool(),
            $node->optional('terminated')?->bool(),
            $node->optional('pin34')?->enum(Pin34::class),
        );
    }

    /** Behind the twist the first two change places. */
    public function unit(?int $select = null): int
    {
        $select ??= $this->select;

        return $this->behindTwist && $select < 2 ? 1 - $select : $select;
    }
}
