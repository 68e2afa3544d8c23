<?php

declare(strict_types=1);

namespace Ash\Memory;

/**
 * An address line that may be stuck: a plain line k ties A to A xor 2^k; a multiplexed pin j of dynamic memory ties cell bits j and
 * j + column_bits, in the banks of its geometry. It counts the errors whose actual word belongs to a partner address (PartnerWords).
 */
final class AddressLine
{
    /** Errors whose partner address is in the map; PartnerWords says so when all have come. */
    public int $asked = 0;
    private int $hits = 0;

    /** @var array<int, true> XOR values of the errors that match, two at most */
    private array $values = [];

    /**
     * @param list<int>        $bits  address bit of a plain line, cell bits of a pin
     * @param array<int, true> $banks that a pin belongs to; empty for a plain line
     */
    public function __construct(public readonly array $bits, private readonly array $banks)
    {
    }

    public function belongs(int $bank): bool
    {
        return isset($this->banks[$bank]);
    }

    /** An error, so many times, whose word belongs to a partner. */
    public function hit(int $xor, int $times): void
    {
        $this->hits += $times;
        if (count($this->values) < 2) {
            $this->values[$xor] = true;
        }
    }

    public function matches(): bool
    {
        return $this->asked >= 4 && $this->hits >= 0.95 * $this->asked * (1 - 1e-9);
    }

    /** A chip or a data line cannot imitate errors of different values. */
    public function isCertain(): bool
    {
        return $this->matches() && count($this->values) >= 2;
    }
}
