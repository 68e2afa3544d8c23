<?php

declare(strict_types=1);

namespace Ash\Memory;

use Ash\Document\InvalidDocument;
use Ash\Document\Node;
use Ash\Quantity\Radix;

/**
 * Rows of chips in one line: "2 x 8 4116 U20 at 0" is two rows of eight 16 Ki x 1 chips numbered from U20, row after row, the first at
 * address 0 (in hexadecimal, as addresses are unless they are marked); a ninth chip of one bit is parity; four-bit chips stand side by side.
 */
final readonly class RowsLine
{
    private const MOST_ROWS = 32;
    private const MOST_BITS = 63;
    public const EXAMPLE = '2 x 8 4116 U20 at 0';

    private function __construct(public int $rows, public int $chips, public ChipType $chip, public string $first, public string $start)
    {
    }

    /** @throws InvalidDocument at the pointer */
    public static function read(string $line, string $pointer): self
    {
        $pattern = '/^(?:(\d{1,3})\s*[x×]\s*)?(\d{1,3})\s+(\d{4,6})(?:\s+([A-Za-z]{1,4}\d{1,5}[A-Za-z]?))?(?:\s+(?:at|from|@)\s+(\S{1,20}))?$/u';
        if (preg_match($pattern, trim($line), $m, PREG_UNMATCHED_AS_NULL) !== 1) {
            throw InvalidDocument::at($pointer, 'is not understood: write '.self::EXAMPLE.', or 9 4164 with a parity chip');
        }
        $chip = ChipType::tryFrom((string) $m[3]) ?? throw InvalidDocument::at(
            $pointer,
            "{$m[3]} is no chip of the list: ".implode(', ', array_map(static fn (ChipType $it): string => $it->value, ChipType::cases())),
        );
        $it = new self((int) ($m[1] ?? 1), (int) $m[2], $chip, $m[4] ?? 'U1', $m[5] ?? '0');
        $it->rows >= 1 && $it->rows <= self::MOST_ROWS || throw InvalidDocument::at($pointer, 'must have 1 to '.self::MOST_ROWS.' rows');
        $it->chips >= 1 && $it->wordBits() <= self::MOST_BITS || throw InvalidDocument::at($pointer, 'must have 1 to '.self::MOST_BITS.' bits in a row');

        return $it;
    }

    /** Nine chips of one bit are eight and parity. */
    public function parity(): bool
    {
        return $this->chip->sheet()['bits'] === 1 && $this->chips % 9 === 0 && $this->chips === 9;
    }

    public function wordBits(): int
    {
        return ($this->chips - ($this->parity() ? 1 : 0)) * $this->chip->sheet()['bits'];
    }

    /**
     * @return array<string, mixed> a memory as a description holds it
     *
     * @throws InvalidDocument at the pointer, when the address cannot be read or the rows do not fit together
     */
    public function memory(string $key, string $pointer): array
    {
        $words = $this->chip->sheet()['words'];
        preg_match('/^(.*?)(\d+)(\D*)$/', $this->first, $m);
        try {
            $start = Radix::Hexadecimal->take(Node::of($this->start));
            $rows = array_map(fn (int $i): object => (object) [
                'name' => (string) $i, 'start' => Radix::Hexadecimal->format($start + $i * $words), 'bit_0' => 'first', 'parity' => $this->parity(),
                'first' => ($m[1] ?? '').((int) ($m[2] ?? 1) + $i * $this->chips).($m[3] ?? ''),
            ], range(0, $this->rows - 1));
            $map = RowsOfChips::map(Node::of((object) ['word_bits' => $this->wordBits(), 'chip' => $this->chip->value, 'rows' => $rows]));
            Map::read(Node::parse(json_encode($map, JSON_THROW_ON_ERROR)));
        } catch (InvalidDocument $fault) {
            throw InvalidDocument::at($pointer, $fault->detail);
        }

        return ['key' => $key, 'name' => $key === 'main' ? 'Main memory' : "Memory {$key}", 'chip' => $this->chip->value, 'map' => $map];
    }

    public function words(): string
    {
        $row = "{$this->chips} {$this->chip->value}".($this->parity() ? ', one of them parity' : '');

        return ($this->rows === 1 ? 'one row of ' : "{$this->rows} rows of ").$row.", {$this->wordBits()} bits, from {$this->first}, at {$this->start}";
    }
}
