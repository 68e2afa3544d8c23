<?php

declare(strict_types=1);

namespace Ash\Memory;

/**
 * An address line that may be stuck: a plain line k ties A to A xor 2^k; a multiplexed pin j of dynamic memory ties cell bits j and
 * j + column_bits, in the banks of its geometry. It counts the errors whose actual word belongs to the partner address.
 */
final class AddressLine
{
    private int $asked = 0;
    private int $hits = 0;

    /** @var array<int, true> XOR values of the errors that match, two at most */
    private array $values = [];

    /**
     * @param list<int> $bits  address bit of a plain line, cell bits of a pin
     * @param list<int> $banks that a pin belongs to; empty for a plain line
     */
    public function __construct(public readonly array $bits, private readonly array $banks, private readonly Map $map, private readonly Pattern $pattern)
    {
    }

    public function isPin(): bool
    {
        return $this->banks !== [];
    }

    public function ask(int $bank, int $address, int $actual, int $xor): void
    {
        $partners = $this->isPin() ? $this->pinned($bank, $address) : $this->plain($address);
        if ($partners === []) {
            return;
        }
        ++$this->asked;
        foreach ($partners as $partner) {
            if ($this->pattern->word($partner, $this->map->wordBits) === $actual) {
                ++$this->hits;
                if (count($this->values) < 2) {
                    $this->values[$xor] = true;
                }

                return;
            }
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

    /** @return list<int> */
    private function plain(int $address): array
    {
        $partner = $address ^ (1 << $this->bits[0]);

        return $this->map->bankAt($partner) === null ? [] : [$partner];
    }

    /** @return list<int> cells with both bits set and with both clear, but for the one that is asked */
    private function pinned(int $bank, int $address): array
    {
        if (!in_array($bank, $this->banks, true)) {
            return [];
        }
        $it = $this->map->banks[$bank];
        $tied = (1 << $this->bits[0]) | (1 << $this->bits[1]);
        $cell = $it->cell($address);

        return array_values(array_map($it->address(...), array_filter([$cell | $tied, $cell & ~$tied], static fn (int $other): bool => $other !== $cell)));
    }
}
