<?php

declare(strict_types=1);

namespace Ash\Memory;

/** Core memory: the drive lines of one bank. Errors that keep to one row (X) or one column (Y) blame its driver, its diodes or the joint of that wire. */
final class DriveLines
{
    private const SHARE = 0.95;
    private const CELLS = 4;

    private int $errors = 0;

    /** @var array<string, array{int, int, array<int, true>}> by axis and number: errors, bits that were wrong, some distinct cells */
    private array $lines = [];

    public function __construct(private readonly int $columnBits)
    {
    }

    public function data(int $cell, int $ownXor, int $times): void
    {
        $this->errors += $times;
        foreach (['X' => $cell >> $this->columnBits, 'Y' => $cell & ((1 << $this->columnBits) - 1)] as $axis => $number) {
            [$count, $bits, $cells] = $this->lines["{$axis} {$number}"] ?? [0, 0, []];
            count($cells) >= self::CELLS || $cells[$cell] = true;
            $this->lines["{$axis} {$number}"] = [$count + $times, $bits | $ownXor, $cells];
        }
    }

    /**
     * @param array<int, array{int, bool}> $parity by cell: parity errors, and whether they fall on the parity column
     *
     * @return list<string> "X 12", "Y 3"
     */
    public function found(array $parity): array
    {
        $all = $this->errors + array_sum(array_column($parity, 0));
        $lines = $this->lines;
        foreach ($parity as $cell => [$count, $falls]) {
            foreach (['X' => $cell >> $this->columnBits, 'Y' => $cell & ((1 << $this->columnBits) - 1)] as $axis => $number) {
                $line = $lines["{$axis} {$number}"] ?? [0, 0, []];
                $lines["{$axis} {$number}"] = [$line[0] + $count, $line[1], $line[2] + [$cell => true], ($line[3] ?? false) || $falls];
            }
        }
        $found = [];
        foreach ($lines as $name => $line) {
            $bits = substr_count(decbin($line[1]), '1') + (($line[3] ?? false) ? 1 : 0);
            if ($line[0] >= self::SHARE * $all * (1 - 1e-9) && count($line[2]) >= self::CELLS && $bits >= 2) {
                $found[] = $name;
            }
        }
        sort($found);

        return $found;
    }
}
