<?php

declare(strict_types=1);

namespace Ash\Memory;

/** A chip of a bank: its designator, what testers call it, and the bits it gives; a parity chip gives the bit P. */
final readonly class Chip
{
    /** @param list<int> $bits ascending as given; [Bank::P] for a parity chip */
    public function __construct(public string $ref, public array $bits, public ?string $alias = null)
    {
    }
}
