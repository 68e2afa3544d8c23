<?php

declare(strict_types=1);

namespace Ash\Setup;

use Ash\Document\Node;

/** Which letter comes out for which drive; common practice, no source. */
final readonly class Letters
{
    private const FLOPPIES = 4;
    private const LOGICAL = 23;

    /** @return list<array{letter: string, what: string}> */
    public static function read(Node $node): array
    {
        $node->only('floppies', 'disks');
        $floppies = $node->at('floppies')->integer(0, self::FLOPPIES);
        $disks = $node->at('disks')->items();
        Node::distinct(array_map(static fn (Node $it): Node => $it->only('name', 'primary', 'logical')->at('name'), $disks));
        $primary = $logical = [];
        foreach ($disks as $disk) {
            $name = $disk->at('name')->name();
            $disk->at('primary')->integer(0, 1) === 1 && $primary[] = "{$name} primary";
            for ($n = 1; $n <= $disk->at('logical')->integer(0, self::LOGICAL); ++$n) {
                $logical[] = "{$name} logical {$n}";
            }
        }
        $letters = match ($floppies) {
            0 => [],
            1 => ['A' => 'floppy 1', 'B' => 'floppy 1 again'],
            default => ['A' => 'floppy 1', 'B' => 'floppy 2'],
        };
        $rest = [...$primary, ...$logical, ...array_slice(['floppy 3', 'floppy 4'], 0, max(0, $floppies - 2))];
        count($rest) <= ord('Z') - ord('C') + 1 || $node->at('disks')->refuse('goes beyond Z: '.count($rest).' letters from C on');
        foreach ($rest as $i => $what) {
            $letters[chr(ord('C') + $i)] = $what;
        }

        return array_map(static fn (string $letter, string $what): array => ['letter' => $letter, 'what' => $what], array_keys($letters), $letters);
    }
}
