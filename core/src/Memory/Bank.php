<?php

declare(strict_types=1);

namespace Ash\Memory;

use Ash\Document\Node;
use Ash\Quantity\Radix;

/**
 * A row of chips that answer the same addresses.
 * Invariant: value lies inside mask, start is aligned to the mask, no bit is given twice; row and column bits come together.
 */
final readonly class Bank
{
    /** Stands for the parity column among the bits, behind every data bit. */
    public const P = 64;

    /** Address bits, so that no sum of addresses overflows. */
    private const WIDEST = 60;

    /** Addresses go from start up to here, not included. */
    public int $end;

    /** The data bits that its chips give. */
    public int $ownBits;

    /**
     * @param list<Chip> $chips      in map order, the parity chip last
     * @param int        $selectMask 0 without a select
     */
    private function __construct(
        public string $name,
        public int $start,
        public int $words,
        public array $chips,
        public bool $parity,
        public int $selectMask,
        public int $selectValue,
        public ?int $rowBits,
        public ?int $columnBits,
    ) {
        $this->end = $start + $words * (1 << substr_count(decbin($selectMask), '1'));
        $own = 0;
        foreach ($chips as $chip) {
            foreach ($chip->bits as $bit) {
                $own |= $bit === self::P ? 0 : 1 << $bit;
            }
        }
        $this->ownBits = $own;
    }

    /** What it holds, its parity left out. */
    public function bytes(): float
    {
        return $this->words * substr_count(decbin($this->ownBits), '1') / 8;
    }

    public static function read(Node $node, Radix $radix, int $wordBits): self
    {
        $node->only('name', 'start', 'words', 'chips', 'parity', 'select', 'row_bits', 'column_bits');
        $start = $radix->take($node->at('start'));
        [$mask, $value] = self::select($node->optional('select'), $radix);
        ($start | $mask) >> self::WIDEST === 0 || $node->at($start >> self::WIDEST === 0 ? 'select' : 'start')->refuse('is wider than '.self::WIDEST.' bits');
        if ($mask !== 0 && $start % (self::highest($mask) * 2) !== 0) {
            $node->at('start')->refuse('is not aligned to the select mask');
        }
        $chips = self::chips($node->at('chips'), $wordBits);
        $parity = $node->optional('parity')?->only('ref', 'alias');
        $words = $node->at('words')->integer(1, 1 << 40);
        $start + (float) $words * 2 ** substr_count(decbin($mask), '1') <= 2.0 ** self::WIDEST
            || $node->at('words')->refuse('must end within '.self::WIDEST.' address bits');

        return new self(
            $node->at('name')->name(),
            $start,
            $words,
            $parity === null ? $chips : [...$chips, new Chip($parity->at('ref')->name(), [self::P], $parity->optional('alias')?->name())],
            $parity !== null,
            $mask,
            $value,
            ...self::geometry($node, $words),
        );
    }

    public function owns(int $address): bool
    {
        return $address >= $this->start && $address < $this->end && ($address & $this->selectMask) === $this->selectValue;
    }

    /** The offset with the select bits squeezed out. */
    public function cell(int $address): int
    {
        $offset = $address - $this->start;
        for ($bit = self::highest($this->selectMask); $bit > 0; $bit >>= 1) {
            if (($this->selectMask & $bit) !== 0) {
                $offset = ($offset & ($bit - 1)) | (($offset >> 1) & ~($bit - 1));
            }
        }

        return $offset;
    }

    /** The address of a cell: the select bits put back in. */
    public function address(int $cell): int
    {
        for ($bit = 1, $mask = $this->selectMask; $mask >= $bit; $bit <<= 1) {
            if (($mask & $bit) !== 0) {
                $below = $bit - 1;
                $cell = ($cell & $below) | (($cell & ~$below) << 1) | ($this->selectValue & $bit);
            }
        }

        return $this->start + $cell;
    }

    /** The smallest address from $from on that has these bits under this mask; null when there is none. */
    public static function firstFrom(int $from, int $mask, int $value): ?int
    {
        if (($from & $mask) === $value) {
            return $from;
        }
        $best = null;
        for ($k = 0; $k < 62; ++$k) {
            $bit = 1 << $k;
            $above = ~($bit * 2 - 1);
            if (($from & $bit) === 0 && (($mask & $bit) === 0 || ($value & $bit) !== 0) && ($from & $mask & $above) === ($value & $above)) {
                $candidate = ($from & $above) | $bit | ($value & ($bit - 1));
                $best = $best === null ? $candidate : min($best, $candidate);
            }
        }

        return $best;
    }

    /** @return array{int, int} */
    private static function select(?Node $select, Radix $radix): array
    {
        if ($select === null) {
            return [0, 0];
        }
        $select->only('mask', 'value');
        $mask = $radix->take($select->at('mask'));
        $value = $radix->take($select->at('value'));

        return ($value & ~$mask) === 0 ? [$mask, $value] : $select->at('value')->refuse('has bits outside the mask');
    }

    /** @return list<Chip> */
    private static function chips(Node $list, int $wordBits): array
    {
        $seen = [];
        $chips = [];
        foreach ($list->items(65_536) as $node) {
            $bits = [];
            foreach ($node->only('ref', 'bits', 'alias')->at('bits')->items() as $bit) {
                $number = $bit->integer();
                if ($number < 0 || $number >= $wordBits) {
                    $bit->refuse("must be from 0 to below word_bits, {$wordBits}");
                }
                isset($seen[$number]) && $bit->refuse("bit {$number} is given twice in this bank");
                $seen[$number] = true;
                $bits[] = $number;
            }
            $bits !== [] || $node->at('bits')->refuse('must list at least one bit');
            $chips[] = new Chip($node->at('ref')->name(), $bits, $node->optional('alias')?->name());
        }

        return $chips !== [] ? $chips : $list->refuse('must list at least one chip');
    }

    /** @return array{?int, ?int} */
    private static function geometry(Node $node, int $words): array
    {
        $row = $node->optional('row_bits')?->integer(0, 40);
        $column = $node->optional('column_bits')?->integer(0, 40);
        if (($row === null) !== ($column === null)) {
            $node->at($row === null ? 'row_bits' : 'column_bits');
        }
        if ($row !== null && $column !== null && $words !== 1 << ($row + $column)) {
            $node->at('words')->refuse('must be 2 to the power of row_bits + column_bits, '.(1 << ($row + $column)));
        }

        return [$row, $column];
    }

    private static function highest(int $mask): int
    {
        return $mask === 0 ? 0 : 1 << (strlen(decbin($mask)) - 1);
    }
}
