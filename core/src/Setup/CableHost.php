<?php

declare(strict_types=1);

namespace Ash\Setup;

use Ash\Document\Field\Whole;

/** What a machine's floppy connector knows, and what it waits for; null when it minds neither. */
final readonly class CableHost
{
    public function __construct(#[Whole(1, 4)] public int $units, public ?Pin34 $pin34 = null)
    {
    }
}
