<?php

declare(strict_types=1);

namespace Ash\Tests\Setup;

use Ash\Setup\SetupRoom;
use Ash\Tests\Asks;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Chains, cables, disks and letters; what is expected is the handbook's, worked by hand, where no other source is named. */
final class SetupTest extends TestCase
{
    use Asks;

    /**
     * @param array<string, mixed> $document
     *
     * @return array<string, mixed>
     */
    private static function ask(string $verb, array $document): array
    {
        return self::put(new SetupRoom(), $verb, $document);
    }

    /** @return list<array<string, mixed>> "name id flags": h host, t terminated, b boots */
    private static function chain(string ...$entries): array
    {
        return array_values(array_map(static function (string $it): array {
            [$name, $id, $flags] = [...explode(' ', $it), ''];
            $has = static fn (string $flag): bool => str_contains($flags, $flag);

            return [
                'name' => $name, 'id' => (int) $id, 'terminated' => $has('t'), ...($has('h') ? ['host' => true] : []),
                ...($has('b') ? ['boot' => true] : []),
            ];
        }, $entries));
    }

    /** @return array<string, array{array<string, mixed>, list<array<string, mixed>>, list<string>, list<string>}> bus, chain, problems, changes */
    public static function chains(): array
    {
        return [
            'well' => [[], self::chain('host 7 ht', 'disk 0 t'), [], []],
            'twice, ends and middle' => [
                [],
                self::chain('host 7 h', 'a 3 t', 'b 3 t', 'c 3'),
                ['id_twice a b c', 'end_not_terminated host', 'end_not_terminated c', 'middle_terminated a', 'middle_terminated b'],
                ['b id 3 0', 'c id 3 1', 'host termination  1', 'a termination 1 ', 'b termination 1 ', 'c termination  1'],
            ],
            'out of range twice' => [
                [],
                self::chain('host 7 ht', 'a 9', 'b 9 t'),
                ['id_out_of_range a', 'id_out_of_range b', 'id_twice a b'],
                ['a id 9 0', 'b id 9 1'],
            ],
            'wide reaches fifteen' => [['wide' => true], self::chain('host 7 ht', 'a 15 t'), [], []],
            'a host out of range takes the highest' => [[], self::chain('host 8 ht', 'a 7', 'b 6 t'), ['id_out_of_range host'], ['host id 8 7', 'a id 7 0']],
            'lowest id first' => [[], self::chain('host 7 ht', 'a 5', 'b 2', 'c 5', 'd 2 t'), ['id_twice b d', 'id_twice a c'], ['c id 5 0', 'd id 2 1']],
            'starts from two ids' => [['boots_from' => [0, 1]], self::chain('host 7 ht', 'a 4', 'b 5 t'), ['boot_id a b'], ['a id 4 0']],
            'one of them has it' => [['boots_from' => [0, 1]], self::chain('host 7 ht', 'a 4', 'b 1 t'), [], []],
            'the marked one counts' => [['boots_from' => [0, 1]], self::chain('host 7 ht', 'a 1', 'b 5 tb'), ['boot_id b'], ['b id 5 0']],
            'what it takes goes to nobody else' => [['boots_from' => [0]], self::chain('host 0 ht', 'a 4 tb'), ['boot_id a'], ['host id 0 7', 'a id 4 0']],
            'one that keeps its id' => [['boots_from' => [2, 0]], self::chain('host 7 ht', 'a 0', 'b 0 t'), ['id_twice a b'], ['b id 0 1']],
            'six metres' => [['length_m' => 6.0], self::chain('host 7 ht', 'disk 0 t'), [], []],
            'too long' => [['length_m' => 6.1], self::chain('host 7 ht', 'disk 0 t'), ['too_long '], []],
            'differential goes further' => [['length_m' => 25, 'kind' => 'differential'], self::chain('host 7 ht', 'disk 0 t'), [], []],
            'and no further' => [['length_m' => 25.1, 'kind' => 'differential'], self::chain('host 7 ht', 'disk 0 t'), ['too_long '], []],
        ];
    }

    /**
     * @param array<string, mixed>       $bus
     * @param list<array<string, mixed>> $chain
     * @param list<string>               $problems
     * @param list<string>               $changes
     */
    #[DataProvider('chains')]
    public function test_scsi(array $bus, array $chain, array $problems, array $changes): void
    {
        $found = self::ask('scsi', ['bus' => (object) $bus, 'chain' => $chain]);
        self::assertSame($problems, array_map(static fn (array $it): string => $it['code'].' '.implode(' ', $it['names']), (array) $found['problems']));
        self::assertSame(
            $changes,
            array_map(static fn (array $it): string => "{$it['name']} {$it['what']} {$it['from']} {$it['to']}", (array) $found['changes']),
        );
        self::assertNotSame([], $found['reasons']);
        // What it proposes clears all but a cable that is too long.
        foreach ((array) $found['changes'] as $change) {
            foreach ($chain as $i => $it) {
                $it['name'] === $change['name'] && $chain[$i][$change['what'] === 'id' ? 'id' : 'terminated'] = $change['to'];
            }
        }
        $after = self::ask('scsi', ['bus' => (object) $bus, 'chain' => $chain]);
        self::assertSame([], array_diff(array_column((array) $after['problems'], 'code'), ['too_long']));
        self::assertSame([], $after['changes']);
    }

    /** @return array<string, array{int, ?string, list<string>, string, list<string>, ?list<string>}> units, pin 34, drives, units found, problems, changes */
    public static function cables(): array
    {
        return [
            'a twist and both on the second' => [2, null, ['near 1', 'far 1 x'], '1 0', [], []],
            'a straight cable, both on the second' => [2, null, ['near 1', 'far 1'], '1 1', ['unit_twice near far', 'no_first '], ['near 1 0']],
            'beyond what the host knows' => [2, null, ['near 0', 'far 3'], '0 3', ['unit_beyond far'], ['far 3 1']],
            'no first' => [4, null, ['near 2'], '2', ['no_first '], ['near 2 0']],
            'behind a twist the first is select one' => [1, null, ['far 0 x'], '1', ['unit_beyond far', 'no_first '], ['far 0 1']],
            'two and three stay behind a twist' => [4, null, ['near 0', 'far 2 x'], '0 2', [], []],
            'ready for change' => [2, 'change', ['a 0 ready', 'b 1 change'], '0 1', ['pin34 a'], []],
            'any takes both' => [2, 'any', ['a 0 ready', 'b 1 change'], '0 1', [], []],
            'terminators' => [2, null, ['a 0 on', 'b 1 off'], '0 1', ['end_not_terminated b', 'middle_terminated a'], []],
            'absent ones are neither' => [2, null, ['a 0', 'b 1'], '0 1', [], []],
            'more drives than units' => [2, null, ['a 0', 'b 1', 'c 2'], '0 1 2', ['unit_beyond c'], null],
            'the fewest changes, the smallest selects' => [4, null, ['a 3', 'b 3', 'c 3'], '3 3 3', ['unit_twice a b c', 'no_first '], ['a 3 0', 'b 3 1']],
        ];
    }

    /**
     * @param list<string>      $drives
     * @param list<string>      $problems
     * @param list<string>|null $changes
     */
    #[DataProvider('cables')]
    public function test_floppy(int $units, ?string $pin, array $drives, string $expected, array $problems, ?array $changes): void
    {
        $found = self::ask(
            'floppy',
            ['host' => ['units' => $units, ...($pin === null ? [] : ['pin34' => $pin])], 'drives' => array_map(static function (string $it): array {
                $words = explode(' ', $it);
                $said = array_slice($words, 2);

                return [
                    'name' => $words[0], 'select' => (int) $words[1], 'behind_twist' => in_array('x', $said, true),
                    ...array_map(static fn (string $pin): string => $pin, array_filter(['pin34' => implode('', array_intersect($said, ['ready', 'change']))])),
                    ...(array_intersect($said, ['on', 'off']) === [] ? [] : ['terminated' => in_array('on', $said, true)]),
                ];
            }, $drives)],
        );
        self::assertSame($expected, implode(' ', array_column((array) $found['drives'], 'unit')));
        self::assertSame($problems, array_map(static fn (array $it): string => $it['code'].' '.implode(' ', $it['names']), (array) $found['problems']));
        self::assertSame(
            $changes,
            $found['changes'] === null
                ? null
                : array_map(static fn (array $it): string => "{$it['name']} {$it['from']} {$it['to']}", (array) $found['changes']),
        );
    }

    public function test_geometry(): void
    {
        $found = self::ask('geometry', ['cylinders' => 615, 'heads' => 4, 'sectors' => 17, 'label_mb' => 20, 'types' => [
            ['type' => 1, 'cylinders' => 306, 'heads' => 4, 'sectors' => 17], ['type' => 2, 'cylinders' => 615, 'heads' => 4, 'sectors' => 17],
            ['type' => 3, 'cylinders' => 615, 'heads' => 6, 'sectors' => 17],
        ]]);
        // Handbook: 615 * 4 * 17 * 512 = 21 411 840 bytes, 20.4 MiB, sold as 20 MB.
        self::assertSame([21_411_840, true, []], [$found['bytes'], $found['label_agrees'], $found['barriers']]);
        self::assertEqualsWithDelta([21.41184, 20.419921875], [$found['mb'], $found['mib']], 1e-9);
        self::assertSame(['type' => 2, 'bytes' => 21_411_840, 'lost_bytes' => 0], $found['best_type']);
        self::assertNull(self::ask('geometry', ['cylinders' => 1, 'heads' => 1, 'sectors' => 1])['label_agrees']);
        self::assertNull(self::ask('geometry', ['cylinders' => 1, 'heads' => 1, 'sectors' => 1])['best_type']);
        // Labels within 5 % of either, on the edge too: 100 cylinders of 100 heads and 100 sectors are 512 MB.
        foreach ([[488.28125 / 1.05, true], [464.9, false], [512 / 0.95, true], [538.96, false]] as [$label, $agrees]) {
            self::assertSame(
                $agrees,
                self::ask('geometry', ['cylinders' => 100, 'heads' => 100, 'sectors' => 100, 'label_mb' => $label])['label_agrees'],
                (string) $label,
            );
        }
        $large = self::ask(
            'geometry',
            [
                'cylinders' => 16_383,
                'heads' => 16,
                'sectors' => 63,
                'types' => [
                    ['type' => 9, 'cylinders' => 1024, 'heads' => 16, 'sectors' => 63],
                    ['type' => 4, 'cylinders' => 1024, 'heads' => 16, 'sectors' => 63],
                ],
            ],
        );
        self::assertSame([
            ['name' => 'cylinders_1024', 'limit_bytes' => 528_482_304, 'lost_bytes' => 8_455_200_768 - 528_482_304],
            ['name' => 'chs_504', 'limit_bytes' => 528_482_304, 'lost_bytes' => 8_455_200_768 - 528_482_304],
            ['name' => 'fat16_32', 'limit_bytes' => 33_554_432, 'lost_bytes' => 8_455_200_768 - 33_554_432],
            ['name' => 'fat16_2g', 'limit_bytes' => 2_147_483_648, 'lost_bytes' => 8_455_200_768 - 2_147_483_648],
        ], $large['barriers']);
        self::assertSame(9, ((array) $large['best_type'])['type']);
        $huge = self::ask('geometry', ['cylinders' => 65_535, 'heads' => 65_535, 'sectors' => 65_535, 'bytes_per_sector' => 65_535]);
        self::assertEqualsWithDelta(1.0, $huge['bytes'] / 65_535 ** 4, 1e-12);
        self::assertSame('int13_8g', ((array) $huge['barriers'])[4]['name']);
        self::assertRefusedAt(
            '/types/1/type',
            new SetupRoom(),
            'geometry',
            ['cylinders' => 1, 'heads' => 1, 'sectors' => 1, 'types' => array_fill(0, 2, ['type' => 1, 'cylinders' => 1, 'heads' => 1, 'sectors' => 1])],
        );
        self::assertRefusedAt('/heads', new SetupRoom(), 'geometry', ['cylinders' => 1, 'heads' => 65_536, 'sectors' => 1]);
        self::assertRefusedAt('/label_mb', new SetupRoom(), 'geometry', ['cylinders' => 1, 'heads' => 1, 'sectors' => 1, 'label_mb' => 0]);
    }

    /**
     * @return array<string, array{string, string, string, string, ?int, array{?string, string, string}}> medium, format, encoding, drive, last written, needs,
     *                                                                                                    reads, writes
     */
    public static function disks(): array
    {
        return [
            'double density at home' => ['5.25 dd', '40 2 9 512', 'mfm', '5.25 40 2 dd', null, ['dd', 'yes', 'yes']],
            'in an 80-track drive' => ['5.25 dd', '40 2 9 512', 'mfm', '5.25 80 2 hd', null, ['dd', 'yes', 'with_care']],
            'in a 77-track drive' => ['5.25 dd', '40 2 9 512', 'mfm', '5.25 77 2 dd', null, ['dd', 'no', 'no']],
            '42 tracks are still few' => ['5.25 dd', '42 2 9 512', 'mfm', '5.25 80 2 dd', null, ['dd', 'yes', 'with_care']],
            '43 tracks are too many for a 40-track drive' => ['5.25 dd', '43 2 9 512', 'mfm', '5.25 40 2 dd', null, ['dd', 'no', 'no']],
            '42 are not' => ['5.25 dd', '42 2 9 512', 'mfm', '5.25 40 2 dd', null, ['dd', 'yes', 'yes']],
            'high density on its own disk' => ['5.25 hd', '80 2 15 512', 'mfm', '5.25 80 2 hd', null, ['hd', 'yes', 'yes']],
            'high density on a lesser disk' => ['5.25 dd', '80 2 15 512', 'mfm', '5.25 80 2 hd', null, ['hd', 'no', 'no']],
            'high density in a lesser drive' => ['3.5 hd', '80 2 18 512', 'mfm', '3.5 80 2 dd', null, ['hd', 'no', 'no']],
            'a high density disk for less, 5.25 inch' => ['5.25 hd', '80 2 9 512', 'mfm', '5.25 80 2 hd', null, ['dd', 'no', 'no']],
            'a high density disk for less, 3.5 inch' => ['3.5 hd', '80 2 9 512', 'mfm', '3.5 80 2 dd', null, ['dd', 'with_care', 'with_care']],
            'and 8 inch' => ['8 hd', '77 1 26 256', 'mfm', '8 77 2 dd', null, ['dd', 'yes', 'yes']],
            'the other size' => ['3.5 dd', '80 2 9 512', 'mfm', '5.25 80 2 hd', null, ['dd', 'no', 'no']],
            'a second side that is not there' => ['3.5 dd', '80 2 9 512', 'mfm', '3.5 80 1 dd', null, ['dd', 'no', 'no']],
            'a track that holds it exactly' => ['3.5 dd', '80 2 1 6250', 'mfm', '3.5 80 2 dd', null, ['dd', 'yes', 'yes']],
            'more than any track holds' => ['3.5 hd', '80 2 25 512', 'mfm', '3.5 80 2 hd', null, [null, 'no', 'no']],
            'single density' => ['5.25 sd', '35 1 10 256', 'fm', '5.25 35 1 sd', null, ['sd', 'yes', 'yes']],
            'single density of 8 inch' => ['8 sd', '77 1 26 128', 'fm', '8 77 1 sd', null, ['sd', 'yes', 'yes']],
            'more than single density holds' => ['5.25 dd', '35 1 13 256', 'fm', '5.25 35 1 dd', null, [null, 'no', 'no']],
            'written last in an 80-track drive' => ['5.25 dd', '40 2 9 512', 'mfm', '5.25 40 2 dd', 80, ['dd', 'with_care', 'with_care']],
            'written last at home' => ['5.25 dd', '40 2 9 512', 'mfm', '5.25 40 2 dd', 40, ['dd', 'yes', 'yes']],
        ];
    }

    /** @param array{?string, string, string} $expected */
    #[DataProvider('disks')]
    public function test_disk(string $medium, string $format, string $encoding, string $drive, ?int $last, array $expected): void
    {
        [$size, $density] = explode(' ', $medium);
        [$tracks, $sides, $sectors, $bytes] = array_map(intval(...), explode(' ', $format));
        [$driveSize, $driveTracks, $driveSides, $driveDensity] = explode(' ', $drive);
        $found = self::ask('disk', [
            'medium' => ['size' => $size, 'density' => $density],
            'format' => ['tracks' => $tracks, 'sides' => $sides, 'sectors' => $sectors, 'bytes' => $bytes, 'encoding' => $encoding],
            'drive' => ['size' => $driveSize, 'tracks' => (int) $driveTracks, 'sides' => (int) $driveSides, 'density' => $driveDensity],
            ...($last === null ? [] : ['last_written_tracks' => $last]),
        ]);
        self::assertSame($expected, [$found['needs_density'], $found['reads'], $found['writes']]);
        self::assertSame($tracks * $sides * $sectors * $bytes, $found['bytes']);
    }

    public function test_disk_sizes_of_the_handbook_and_zones(): void
    {
        $drive = ['size' => '3.5', 'tracks' => 80, 'sides' => 2, 'density' => 'dd'];
        foreach ([[40, 9, 368_640], [80, 9, 737_280], [80, 11, 901_120], [80, 15, 1_228_800], [80, 18, 1_474_560]] as [$tracks, $sectors, $bytes]) {
            $format = ['tracks' => $tracks, 'sides' => 2, 'sectors' => $sectors, 'bytes' => 512];
            $found = self::ask('disk', ['medium' => ['size' => '3.5', 'density' => 'dd'], 'format' => $format, 'drive' => $drive]);
            self::assertEquals([$bytes, $bytes / 1024], [$found['bytes'], $found['kib']]);
        }
        $zones = [
            'tracks' => 80,
            'sides' => 1,
            'bytes' => 512,
            'zones' => array_map(static fn (int $it): array => ['tracks' => 16, 'sectors' => $it], [12, 11, 10, 9, 8]),
        ];
        $ask = static fn (array $format, string $density): array => self::ask(
            'disk',
            ['medium' => ['size' => '3.5', 'density' => $density], 'format' => $format, 'drive' => $drive],
        );
        $found = $ask($zones, 'dd');
        self::assertSame([409_600, null, 'yes', 'yes'], [$found['bytes'], $found['needs_density'], $found['reads'], $found['writes']]);
        self::assertSame(['with_care', 'with_care'], [$ask($zones, 'hd')['reads'], $ask($zones, 'hd')['writes']], 'the drive\'s density stands in');
        self::assertSame('no', $ask($zones, 'sd')['reads']);
        foreach ([
            '/format/zones' => ['tracks' => 81] + $zones,
            '/format/zones ' => ['sectors' => 9] + $zones,
            '/format/sides' => ['sides' => 3] + $zones,
        ] as $pointer => $format) {
            self::assertRefusedAt(
                trim($pointer),
                new SetupRoom(),
                'disk',
                ['medium' => ['size' => '3.5', 'density' => 'dd'], 'format' => $format, 'drive' => $drive],
            );
        }
        self::assertRefusedAt(
            '/drive/tracks',
            new SetupRoom(),
            'disk',
            ['medium' => ['size' => '3.5', 'density' => 'dd'], 'format' => $zones, 'drive' => ['tracks' => 82] + $drive],
        );
    }

    public function test_letters(): void
    {
        $of = static fn (int $floppies, array ...$disks): string => implode(', ', array_map(
            static fn (array $it): string => "{$it['letter']} {$it['what']}",
            (array) self::ask(
                'letters',
                [
                    'floppies' => $floppies,
                    'disks' => array_map(static fn (array $it): array => ['name' => $it[0], 'primary' => $it[1], 'logical' => $it[2]], array_values($disks)),
                ],
            )['letters'],
        ));
        self::assertSame(
            'A floppy 1, B floppy 1 again, C one primary, D two primary, E one logical 1, F one logical 2, G two logical 1',
            $of(1, ['one', 1, 2], ['two', 1, 1]),
        );
        self::assertSame('A floppy 1, B floppy 2, C one logical 1, D floppy 3, E floppy 4', $of(4, ['one', 0, 1]));
        self::assertSame('C one primary', $of(0, ['one', 1, 0]));
        self::assertStringEndsWith('Z one logical 23', $of(0, ['one', 1, 23]));
        self::assertRefusedAt('/disks', new SetupRoom(), 'letters', ['floppies' => 3, 'disks' => [['name' => 'one', 'primary' => 1, 'logical' => 23]]]);
        self::assertRefusedAt(
            '/disks/1/name',
            new SetupRoom(),
            'letters',
            ['floppies' => 0, 'disks' => array_fill(0, 2, ['name' => 'one', 'primary' => 1, 'logical' => 0])],
        );
        self::assertRefusedAt('/floppies', new SetupRoom(), 'letters', ['floppies' => 5, 'disks' => []]);
        self::assertRefusedAt(
            '/disks/0/primary',
            new SetupRoom(),
            'letters',
            ['floppies' => 0, 'disks' => [['name' => 'one', 'primary' => 2, 'logical' => 0]]],
        );
    }

    /** @return array<string, array{string, string, array<string, mixed>}> */
    public static function refused(): array
    {
        $scsi = static fn (array $chain, array $bus = []): array => ['bus' => (object) $bus, 'chain' => $chain];
        $drives = static fn (array ...$more): array => ['host' => ['units' => 2], 'drives' => array_map(
            static fn (int $i, array $it): array => $it + ['name' => "d{$i}", 'select' => 0, 'behind_twist' => false], array_keys($more), $more,
        )];

        return [
            'no host' => ['scsi', '/chain', $scsi(self::chain('a 0 t', 'b 1 t'))],
            'two hosts' => ['scsi', '/chain/1/host', $scsi(self::chain('a 0 ht', 'b 1 ht'))],
            'one entry' => ['scsi', '/chain', $scsi(self::chain('a 0 ht'))],
            'nine on a narrow bus' => ['scsi', '/chain', $scsi(self::chain('h 7 ht', ...array_map(static fn (int $i): string => "d{$i} {$i}", range(0, 7))))],
            'two to start from' => ['scsi', '/chain/2/boot', $scsi(self::chain('h 7 ht', 'a 0 b', 'c 1 tb'))],
            'the host to start from' => ['scsi', '/chain/0/boot', $scsi(self::chain('h 7 htb', 'a 0 t'))],
            'starts from nothing' => ['scsi', '/bus/boots_from', $scsi(self::chain('h 7 ht', 'a 0 t'), ['boots_from' => []])],
            'starts out of range' => ['scsi', '/bus/boots_from/1', $scsi(self::chain('h 7 ht', 'a 0 t'), ['boots_from' => [0, 8]])],
            'starts twice from one' => ['scsi', '/bus/boots_from/1', $scsi(self::chain('h 7 ht', 'a 0 t'), ['boots_from' => [1, 1]])],
            'a name twice' => ['scsi', '/chain/1/name', $scsi(self::chain('h 7 ht', 'h 0 t'))],
            'an id below nothing' => ['scsi', '/chain/1/id', $scsi(self::chain('h 7 ht', 'a -1 t'))],
            'no drive' => ['floppy', '/drives', ['host' => ['units' => 2], 'drives' => []]],
            'back before the twist' => ['floppy', '/drives/1/behind_twist', $drives(['behind_twist' => true], [])],
            'a select of four' => ['floppy', '/drives/0/select', $drives(['select' => 4])],
            'five units' => ['floppy', '/host/units', ['host' => ['units' => 5], 'drives' => []]],
            'a word for pin 34' => ['floppy', '/host/pin34', ['host' => ['units' => 2, 'pin34' => 'maybe'], 'drives' => []]],
        ];
    }

    /** @param array<string, mixed> $document */
    #[DataProvider('refused')]
    public function test_what_makes_no_sense_is_refused_at_its_field(string $verb, string $pointer, array $document): void
    {
        self::assertRefusedAt($pointer, new SetupRoom(), $verb, $document);
    }
}
