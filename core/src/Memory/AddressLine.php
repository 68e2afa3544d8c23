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
     * @param list<int>        $bits  address bit of a plain line, cell bits of a pin
     * @param array<int, true> $banks that a pin belongs to; empty for a plain line
     */
    public function __construct(public readonly array $bits, private readonly array $banks, private readonly Map $map, private readonly Pattern $pattern)
    {
    }

    /** One error of a bank whose partner address is in the map. */
    public function ask(bool $matches, int $xor): void
    {
        ++$this->asked;
        if ($matches) {
            ++$this->hits;
            if (count($this->values) < 2) {
                $this->values[$xor] = true;
            }
        }
    }

    /** A pin: does the word belong to the cell with both bits set, or with both clear? One of them may be the cell itself, as the model has it. */
    public function askPin(int $bank, int $address, int $actual, int $xor): void
    {
        if (!isset($this->banks[$bank])) {
            return;
        }
        $it = $this->map->banks[$bank];
        $tied = (1 << $this->bits[0]) | (1 << $this->bits[1]);
        $cell = $it->cell($address);
        $matches = false;
        foreach ([$cell | $tied, $cell & ~$tied] as $other) {
            $matches = $matches || $this->pattern->word($it->address($other), $this->map->wordBits) === $actual;
        }
        $this->ask($matches, $xor);
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
