<?php

declare(strict_types=1);

namespace Ash\Setup;

/** Formats that are commonly met; common practice, no source (setup handbook: floppy formats and media). */
final readonly class CommonFormats
{
    /** size, tracks a side, sides, sectors, bytes a sector, encoding */
    private const ALL = [
        ['5.25', 35, 1, 10, 256, 'fm'], ['5.25', 40, 1, 8, 512, 'mfm'], ['5.25', 40, 2, 9, 512, 'mfm'], ['5.25', 80, 2, 9, 512, 'mfm'],
        ['5.25', 80, 2, 15, 512, 'mfm'], ['3.5', 80, 2, 9, 512, 'mfm'], ['3.5', 80, 2, 11, 512, 'mfm'], ['3.5', 80, 2, 18, 512, 'mfm'],
        ['8', 77, 1, 26, 128, 'fm'], ['8', 77, 2, 8, 1024, 'mfm'],
    ];

    /** @return list<array{words: string, size: string, tracks: int, sides: int, sectors: int, bytes: int, encoding: string}> */
    public static function all(): array
    {
        return array_values(array_map(static fn (array $it): array => [
            'words' => "{$it[0]} inch, {$it[1]} tracks, {$it[2]} ".($it[2] === 1 ? 'side' : 'sides').", {$it[3]} x {$it[4]}, "
                .number_format(array_product(array_slice($it, 1, 4)) / 1024, 1, '.', '').' KiB',
            'size' => $it[0], 'tracks' => $it[1], 'sides' => $it[2], 'sectors' => $it[3], 'bytes' => $it[4], 'encoding' => $it[5],
        ], self::ALL));
    }
}
