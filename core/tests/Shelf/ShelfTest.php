<?php

declare(strict_types=1);

namespace Ash\Tests\Shelf;

use Ash\Facts\CapacitorKind;
use Ash\Shelf\Arrival;
use Ash\Shelf\Shopping;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** What an arrival answers, and what has to be bought. Common practice, no source. */
final class ShelfTest extends TestCase
{
    /** @return array<string, array{string, string, string, bool}> what is waited for, number and name of what came */
    public static function arrivals(): array
    {
        return [
            'the type number' => ['a 7812', 'RG-7812', '7812 regulator 1 A', true],
            'the shelf number' => ['AL-4700-25 for C1', 'AL-4700-25', '4700 µF 25 V aluminium', true],
            'another type' => ['a 7805', 'RG-7812', '7812 regulator 1 A', false],
            'part of a number is another number' => ['a 4116', 'X', '41164 something', false],
            'two figures, one of them missing' => ['a 4116 200ns', 'DR', '4116 memory 150ns', false],
            'both figures' => ['two 4116 200ns', 'DR', '4116 memory 200ns', true],
            'words alone, all of them' => ['a latching mains switch', 'SW', 'mains switch, latching, 6 A', true],
            'words alone, not all' => ['a latching mains switch', 'SW', 'mains switch, momentary', false],
            'small words do not count' => ['a new fuse', 'FU', 'fuse', true],
            'nothing but small words' => ['the part', 'X', 'part', false],
            'a listing is no part' => ['a listing of U19', 'U19X', 'U19 array', true],
            'case' => ['A FUSE', 'FU', 'Fuse', true],
        ];
    }

    #[DataProvider('arrivals')]
    public function test_figures_decide_and_words_only_all_together(string $waiting, string $sku, string $name, bool $meets): void
    {
        self::assertSame($meets, Arrival::meets($waiting, $sku, $name));
    }

    public function test_the_list_groups_by_value_adds_spares_and_takes_off_what_is_there(): void
    {
        $want = static fn (string $job, string $key, float $farad, float $volts = 25, CapacitorKind $kind = CapacitorKind::Aluminium): array => [
            'job' => $job,
            'key' => $key,
            'kind' => $kind,
            'marked_f' => $farad,
            'rated_v' => $volts,
        ];
        $rows = Shopping::list(
            [
                $want('J-0001', 'C1', 1e-3),
                $want('J-0001', 'C2', 1e-3),
                $want('J-0002', 'C7', 1e-3),
                $want('J-0002', 'C8', 1e-7, 63, CapacitorKind::Film),
                ...array_map(static fn (int $i): array => $want('J-0003', "C{$i}", 1e-4), range(1, 21)),
            ],
            [
                ['kind' => CapacitorKind::Aluminium, 'marked_f' => 1e-3, 'rated_v' => 35.0, 'free' => 2],
                ['kind' => CapacitorKind::Aluminium, 'marked_f' => 1e-3, 'rated_v' => 16.0, 'free' => 9],
                ['kind' => CapacitorKind::Polymer, 'marked_f' => 1e-3, 'rated_v' => 35.0, 'free' => 9],
                ['kind' => CapacitorKind::Film, 'marked_f' => 1e-7, 'rated_v' => 63.0, 'free' => 50],
            ],
        );
        $by = array_column($rows, null, 'value');
        self::assertSame(
            [3, 1, 2, 2],
            [$by['1000 µF']['wanted'], $by['1000 µF']['spares'], $by['1000 µF']['shelf'], $by['1000 µF']['buy']],
            'a lower voltage or another kind does not count',
        );
        self::assertSame(['J-0001: C1, C2', 'J-0002: C7'], $by['1000 µF']['jobs']);
        self::assertSame([1, 1, 50, 0], [$by['100 nF']['wanted'], $by['100 nF']['spares'], $by['100 nF']['shelf'], $by['100 nF']['buy']]);
        self::assertSame([21, 3, 24], [$by['100 µF']['wanted'], $by['100 µF']['spares'], $by['100 µF']['buy']], 'a tenth, rounded up');
        self::assertSame([], Shopping::list([], []));
    }
}
