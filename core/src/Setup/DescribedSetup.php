<?php

declare(strict_types=1);

namespace Ash\Setup;

/** What a description says of a machine's settings and of its table of fixed disks. */
final readonly class DescribedSetup
{
    /**
     * @param list<KnownBlock> $blocks
     * @param list<DriveType>  $types
     */
    public function __construct(public array $blocks, public array $types)
    {
    }
}
