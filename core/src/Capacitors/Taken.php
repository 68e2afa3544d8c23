<?php

declare(strict_types=1);

namespace Ash\Capacitors;

/** One reading of a capacitor: what was measured, where, and what it looked like. */
final readonly class Taken
{
    /** @param list<Look> $looks */
    public function __construct(public Measured $measured, public bool $inCircuit, public array $looks = [])
    {
    }

    /** A reading in the record, with the leads taken off. */
    public static function recorded(CapacitorRead $it): self
    {
        return new self($it->measured(), $it->inCircuit, $it->visual);
    }
}
