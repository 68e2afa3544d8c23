<?php

declare(strict_types=1);

namespace Ash\Capacitors;

use Ash\Quantity\Notation;
use Ash\Quantity\Unit;

/**
 * Capacitors that are like one without a value: same rail, same size, same row. What they suggest is a guess and is called one (common practice, no source).
 */
final readonly class Siblings
{
    private const SAME_SIZE_MM = 0.6;

    /** @param list<string> $keys with what they share, nearest first */
    private function __construct(public array $keys, public ?string $guess)
    {
    }

    /** @param list<BoardCapacitor> $all of the board */
    public static function of(BoardCapacitor $it, array $all): self
    {
        $found = [];
        foreach ($all as $other) {
            $shared = array_values(array_filter([
                $it->given->rail !== null && $other->given->rail === $it->given->rail ? "rail {$it->given->rail}" : null,
                self::sameSize($it->given, $other->given) ? 'size' : null,
                $it->given->row !== null && $other->given->row === $it->given->row ? 'row' : null,
            ]));
            if ($other->key !== $it->key && $other->part !== null && $shared !== []) {
                $found[] = ['other' => $other, 'shared' => $shared];
            }
        }
        usort($found, static fn (array $a, array $b): int => count($b['shared']) <=> count($a['shared']));
        $best = array_filter($found, static fn (array $row): bool => count($row['shared']) === count($found[0]['shared']));
        $values = array_count_values(array_map(static fn (array $row): string => $row['other']->words(), $best));
        arsort($values);

        return new self(
            array_map(static fn (array $row): string => "{$row['other']->key} ({$row['other']->words()}; same ".implode(' and ', $row['shared']).')', $found),
            $values === [] ? null : 'a guess from '.array_sum($values).' like it: '.array_key_first($values).(count($values) > 1 ? ', but they differ' : ''),
        );
    }

    /** Heights are compared where both are known. */
    private static function sameSize(CapacitorFound $one, CapacitorFound $other): bool
    {
        return self::near($one->diameterMm, $other->diameterMm)
            && (self::near($one->heightMm, $other->heightMm) || $one->heightMm === null || $other->heightMm === null);
    }

    private static function near(?float $one, ?float $other): bool
    {
        return $one !== null && $other !== null && abs($one - $other) <= self::SAME_SIZE_MM;
    }

    /** A value that reads a thousand times off is a slip of the unit: the question to ask, or null. */
    public static function slip(float $markedF, float $measuredF): ?string
    {
        foreach ([1000.0, 1e6] as $times) {
            foreach ([$times, 1 / $times] as $factor) {
                $ratio = $measuredF / ($markedF * $factor);
                if ($ratio > 0.5 && $ratio < 2) {
                    return Notation::print($measuredF, Unit::Farad, 3).' or '.Notation::print($measuredF / $factor, Unit::Farad, 3)
                        .'? It is marked '.Notation::print($markedF, Unit::Farad, 3);
                }
            }
        }

        return null;
    }
}
