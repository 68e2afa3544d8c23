<?php

declare(strict_types=1);

namespace Ash\Capacitors;

/** The capacitors of a machine as its description lists them. */
final readonly class DescribedCapacitors
{
    /** @param list<BoardCapacitor> $all by designator */
    public function __construct(public array $all)
    {
    }
}
