<?php

declare(strict_types=1);

namespace Ash\Tests\Setup;

use Ash\Document\InvalidDocument;
use Ash\Facts\CouldShare;
use Ash\Facts\Facts;
use Ash\Logbook\Allowance;
use Ash\Logbook\EntryData;
use Ash\Logbook\Findings;
use Ash\Logbook\LineFacts;
use Ash\Logbook\Situation;
use Ash\Logbook\Stage;
use Ash\Logbook\Step;
use Ash\Logbook\Suspect;
use Ash\Logbook\UnclearLine;
use Ash\Rooms;
use Ash\Setup\CableSaid;
use Ash\Setup\ChainSaid;
use Ash\Setup\CommonFormats;
use Ash\Setup\DescribedSetup;
use Ash\Setup\DiskChange;
use Ash\Setup\Disks;
use Ash\Setup\DriveTried;
use Ash\Setup\GenericDevice;
use Ash\Setup\KnownBlock;
use Ash\Setup\SettingSaid;
use Ash\Setup\SetupRoom;
use Ash\Setup\SetupSection;
use Ash\Setup\SetupSheet;
use Ash\Setup\Takes;
use Ash\Tests\House;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** What hangs on cables, what a machine reports of it, drives and disks: each as it is said in a line. */
final class HangingTest extends TestCase
{
    private static function said(string $line): EntryData
    {
        return Rooms::hall()->lines->read($line, new LineFacts())->read(Rooms::hall()->kinds);
    }

    /** @return iterable<string, array{string, string}> a line, and what the record says of it */
    public static function lines(): iterable
    {
        yield 'a chain' => ['chain host 7 terminated, disc 1 0, scanner 3 boot t', 'SCSI chain: host 7 host terminated, disc 1 0, scanner 3 boot terminated'];
        yield 'no host is named' => ['chain a 7 t, b 0 t', 'SCSI chain: a 7 host terminated, b 0 terminated'];
        yield 'a host in its name' => ['chain drive 0 term, host board 7', 'SCSI chain: drive 0 terminated, host board 7 host'];
        yield 'the host last' => ['chain disc id 0 t, board 7 host', 'SCSI chain: disc 0 terminated, board 7 host'];
        yield 'a cable' => [
            'cable 2 units change: near 1, far 1 twist terminated ready',
            'Floppy cable, 2 units waiting for change: near select 1, far select 1 behind the twist terminated says ready',
        ];
        yield 'a straight cable' => ['cable 1 unit: only 0 open', 'Floppy cable, 1 unit: only select 0 not terminated'];
        yield 'behind one behind' => [
            'cable 4 units any: a 0 twist, b 2',
            'Floppy cable, 4 units: a select 0 behind the twist, b select 2 behind the twist',
        ];
        yield 'reported ids' => ['reports ids: 0, 2 7', 'The machine reports bus id: 0, 2, 7'];
        yield 'reported none' => ['reports unit: none', 'The machine reports cable unit: none'];
        yield 'memory counted' => ['reports size: 512K', 'The machine reports memory size: 512K'];
        yield 'a drive' => ['drive disc 1: 615/4/17 sold as 20 MB', 'Drive disc 1: 615 cylinders, 4 heads, 17 sectors, sold as 20 MB'];
        yield 'a drive without a label' => ['drive B: 306 x 2 x 17', 'Drive B: 306 cylinders, 2 heads, 17 sectors'];
        yield 'an attempt' => [
            'attempt disc 1: its own controller, works, 20.1 MB, 180 kB/s, 1 bad',
            'Drive disc 1 by its own controller: works, 20.1 MB counted, 180 kB/s, 1 bad sector',
        ];
        yield 'a noisy one' => ['attempt disc 1: cold, sounds bad', 'Drive disc 1 by cold: works and sounds bad'];
        yield 'in part' => ['attempt disc 1: warm, in part, 4 bad sectors', 'Drive disc 1 by warm: works in part, 4 bad sectors'];
        yield 'nothing' => ['attempt disc 1: adapter, not seen', 'Drive disc 1 by adapter: nothing'];
        yield 'a copy' => [
            'copied SYS 3: sys3.img in drive A, 2 tries, 5 bad, cleaned, aside',
            'Copied SYS 3 to sys3.img in drive A: 5 bad sectors, 2 tries, drive cleaned before, disk set aside',
        ];
        yield 'a whole copy' => ['copied SYS 4: sys4.img in drive A', 'Copied SYS 4 to sys4.img in drive A: whole, 1 try'];
        yield 'a drive that eats disks' => ['damages drive A of the bench: a ring', 'drive A of the bench damages disks'];
        yield 'proven' => ['proven drive A: cleaned, passed', 'drive A, cleaned, with a scratch disk: passed'];
        yield 'not proven' => ['proven drive A: cleaned, not passed', 'drive A, cleaned, with a scratch disk: damaged it too'];
        yield 'a source' => ['wrong serial card JP3: the leaflet says 1-2 is 4; it is 3', 'Wrong about JP3 of serial card: the leaflet says 1-2 is 4; it is 3'];
    }

    #[DataProvider('lines')]
    public function test_a_line_says_it(string $line, string $words): void
    {
        self::assertSame($words, self::said($line)->sentence(''));
    }

    public function test_what_is_plainly_said_stays_an_observation(): void
    {
        foreach (['chain is loose', 'cable of the lamp is cut', 'reports nothing at all', 'drive does not turn', 'attempt at the lid', 'copied the ROM',
            'damages at the edge: two traces', 'proven good', 'wrong polarity on C5'] as $line) {
            self::assertSame('observation', Rooms::hall()->lines->read($line, new LineFacts())->kind, $line);
        }
        foreach (['chain host, disc 1 0', 'cable 2 units: near', 'attempt disc 1: warm', 'copied a: b.img in c, eaten', 'reports id: x'] as $line) {
            try {
                Rooms::hall()->lines->read($line, new LineFacts());
                self::fail($line);
            } catch (UnclearLine $unclear) {
                self::assertStringStartsWith('write it as: '.strtok($line, ' '), $unclear->getMessage());
            }
        }
        foreach ([
            '/data/chain' => ['chain', ['bus' => new \stdClass(), 'chain' => [['name' => 'a', 'id' => 7, 'terminated' => true, 'host' => true]]]],
            '/data/drives/1/behind_twist' => ['cable', ['host' => ['units' => 2], 'drives' => [
                ['name' => 'a', 'select' => 0, 'behind_twist' => true], ['name' => 'b', 'select' => 0, 'behind_twist' => false],
            ]]],
            '/data/seen/0' => ['reported', ['takes' => 'io', 'seen' => ['x']]], '/data/seen' => ['reported', ['takes' => 'size', 'seen' => []]],
            '/data/cleaned' => ['drive_proven', ['drive' => 'A', 'cleaned' => false, 'passed' => true]],
        ] as $pointer => [$kind, $data]) {
            try {
                House::entry($kind, $data);
                self::fail($pointer);
            } catch (InvalidDocument $refused) {
                self::assertSame(str_replace('/data', '', $pointer), $refused->pointer);
            }
        }
    }

    /** SCSI-2 (X3.131): terminated at both ends and nowhere else; ids all different. */
    public function test_a_chain_is_mended_in_one_go_and_the_sheet_names_it(): void
    {
        $chain = self::said('chain host 7 terminated, disc 1 0 terminated, scanner 0');
        self::assertInstanceOf(ChainSaid::class, $chain);
        $sheet = self::sheet($chain);
        self::assertSame([
            'id 0 is held by disc 1 and scanner', 'scanner stands at an end of the cable and is not terminated',
            'disc 1 is terminated in the middle of the cable',
        ], $sheet->clashes());
        self::assertSame(['set scanner to id 1 (it stands on 0)', 'take the terminators off disc 1', 'terminate scanner'], $sheet->moves());
        self::assertSame('conflict', $sheet->answers()[0]->finding);
        $mended = self::sheet($chain, $chain->mended());
        self::assertSame([[], [], 'fine'], [$mended->clashes(), $mended->moves(), $mended->answers()[0]->finding]);
        self::assertSame([2, 3, 4, 5, 6], $mended->free(Takes::Id));
        self::assertSame(['bus id', '1', 'scanner', 'its id'], [$mended->held()[2][0]->words(), ...array_slice($mended->held()[2], 1)]);
    }

    public function test_a_cable_is_mended_in_one_go(): void
    {
        $cable = self::said('cable 2 units change: near 0 terminated, far 1 twist open ready');
        self::assertInstanceOf(CableSaid::class, $cable);
        $sheet = self::sheet($cable);
        self::assertSame(['near and far are both unit 0', 'far says "ready" where the host waits for "change": a disk is seen only when it was in at '
            .'power-on, and a new one is not noticed', 'far is the last on the cable and not terminated', 'near is terminated and not the last on the cable',
        ], $sheet->clashes());
        self::assertSame(
            ['take the terminator off near', 'set far to select 0 (it stands on 1)', 'set pin 34 of far to change', 'terminate far'],
            $sheet->moves(),
        );
        self::assertSame([], self::sheet($cable->mended())->clashes());
        $crowd = self::said('cable 1 unit: a 0, b 1');
        self::assertInstanceOf(CableSaid::class, $crowd);
        self::assertSame([], $crowd->moves(), 'more drives than units: no select helps');
    }

    /** @return iterable<string, array{list<string>, list<string>, string}> lines, how it differs, what would explain it */
    public static function reports(): iterable
    {
        $two = ['setting disc card: ID id: 0, 1, 2*', 'setting tape: ID id: 3*, 4'];
        yield 'as written down' => [[...$two, 'reports id: 2, 3'], [], ''];
        yield 'one stands otherwise' => [
            [...$two, 'reports id: 2, 4'],
            ['tape is not seen at bus id 3', 'something answers at bus id 4, where nothing stands'],
            'it would be explained if ID of tape stands on 4, not on 3',
        ];
        yield 'nothing explains it' => [
            [...$two, 'reports id: 1, 4'],
            ['disc card is not seen at bus id 2', 'tape is not seen at bus id 3', 'something answers at bus id 1, where nothing stands',
                'something answers at bus id 4, where nothing stands'],
            'no single setting that stood otherwise would explain it',
        ];
        yield 'one hides behind the other' => [
            ['setting disc card: ID id: 0, 2*', 'setting tape: ID id: 0, 3*', 'reports id: 2'],
            ['tape is not seen at bus id 3'],
            'no single setting that stood otherwise would explain it',
        ];
        yield 'two on one id answer as one' => [
            ['setting disc card: ID id: 0, 2*', 'setting tape: ID id: 2, 3*', 'reports id: 2'],
            ['tape is not seen at bus id 3'],
            'it would be explained if ID of tape stands on 2, not on 3',
        ];
        yield 'the host does not report itself' => [['chain host 7 terminated, disc 0 terminated', 'reports id: 0'], [], ''];
        yield 'and may' => [['chain host 7 terminated, disc 0 terminated', 'reports id: 0, 7'], [], ''];
        yield 'on a chain' => [
            ['chain host 7 terminated, disc 0 terminated', 'reports id: 1'],
            ['disc is not seen at bus id 0', 'something answers at bus id 1, where nothing stands'],
            'it would be explained if its id of disc stands on 1, not on 0',
        ];
        yield 'on a cable, behind the twist' => [
            ['cable 2 units: near 1, far 1 twist', 'reports unit: 1'],
            ['far is not seen at cable unit 0'],
            'it would be explained if its select of far stands on 0, not on 1',
        ];
        yield 'ports, however they are written' => [['setting card: JP1 io: 0300*, 320', 'reports io: 300'], [], ''];
        yield 'windows by segment or whole' => [['setting card: JP1 mem: C800*, D000', 'reports mem: C8000'], [], ''];
        $banks = ['setting board: JP7 size: 1-2 256K, 2-3 512K*', 'setting board: JP8 size: off 0K, on 128K*'];
        yield 'memory as set' => [[...$banks, 'reports size: 640K'], [], ''];
        yield 'memory of one block' => [
            [...$banks, 'reports size: 384K'],
            ['384K are counted, the settings say 640K'],
            'it would be explained if JP7 of board stands on 1-2 (256K), not on 2-3 (512K)',
        ];
        yield 'two ways' => [
            ['setting a: JP1 size: 1-2 256K, 2-3 512K*', 'setting b: JP1 size: 1-2 256K, 2-3 512K*', 'reports size: 768K'],
            ['768K are counted, the settings say 1024K'],
            'it would be explained if one of these were so: JP1 of a stands on 1-2 (256K), not on 2-3 (512K); JP1 of b stands on 1-2 (256K), not on 2-3 (512K)',
        ];
    }

    /**
     * @param list<string> $lines
     * @param list<string> $differs
     */
    #[DataProvider('reports')]
    public function test_what_is_reported_is_held_against_what_is_set(array $lines, array $differs, string $means): void
    {
        $seen = self::sheet(...array_map(self::said(...), $lines))->seen();
        self::assertCount(1, $seen);
        self::assertSame([$differs, $differs === []], [$seen[0]->differs, $seen[0]->agrees()]);
        $differs === [] || self::assertSame($means, $seen[0]->means());
    }

    public function test_nothing_is_held_against_what_nobody_wrote_down(): void
    {
        self::assertSame([], self::sheet(self::said('setting card: JP1 irq: 5*'), self::said('reports id: 1'))->seen());
    }

    public function test_two_devices_could_share_what_both_can_be_set_to(): void
    {
        $shares = self::sheet(
            self::said('setting sound: JP1 irq: 5*, 7'), self::said('setting sound: JP2 dma: 1*'), self::said('setting board: JP9 size: 512K*'),
            self::said('setting network: JP1 irq: 3*'), self::said('setting network: JP3 dma: 3*'), self::said('setting modem: JP1 irq: 4*'),
        )->shares();
        self::assertEquals([
            new CouldShare('network', 'sound', ['interrupt', 'DMA channel']), new CouldShare('modem', 'sound', ['interrupt']),
            new CouldShare('modem', 'network', ['interrupt']),
        ], $shares);
        self::assertSame(['interrupt', null, null], [$shares[1]->of('Sound', 'modem'), $shares[1]->of('sound', 'sound'), $shares[1]->of('sound', 'network')]);
    }

    /** Four ways of getting at one disk, side by side: what reads whole comes before what reads faster. */
    public function test_the_best_way_of_several(): void
    {
        $disks = Disks::of(array_map(self::said(...), [
            'attempt disc 1: adapter, nothing', 'attempt disc 1: warm, in part, 18 MB, 200 kB/s', 'attempt disc 1: own controller, works, 20 MB, 90 kB/s',
            'attempt Disc 1: turned over, works, 20.1 MB, 90 kB/s', 'attempt disc 1: fast, works, 20.1 MB, 180 kB/s, 2 bad', 'attempt disc 2: cold, sounds bad',
            'drive disc 1: 615/4/17 sold as 20 MB',
        ])) ?? self::fail('there is something');
        self::assertSame(['turned over', 'cold'], array_map(static fn (DriveTried $it): string => $it->way, $disks->best()));
        self::assertSame(['disc 2'], $disks->noisy());
        self::assertTrue($disks->drives['disc 1']->geometry()->labelAgrees());
        self::assertNull(Disks::of([]));
    }

    /** @return iterable<array{bool, string}> */
    public static function symptoms(): iterable
    {
        yield [true, 'a disk is seen only when it was in at power-on'];
        yield [true, 'Floppy is only read if it is in the drive when powered'];
        yield [true, 'a changed disk is not noticed'];
        yield [true, 'still lists the first disk after changing it'];
        yield [true, 'shows the old directory again when I put in another disk'];
        yield [false, 'the disk is not seen'];
        yield [false, 'dead after power-on'];
        yield [false, 'the second drive clicks'];
    }

    #[DataProvider('symptoms')]
    public function test_the_pair_of_symptoms_of_a_missing_disk_change(bool $is, string $words): void
    {
        self::assertSame($is, DiskChange::heard($words), $words);
    }

    /** tracks * sides * sectors * bytes (setup handbook), in KiB. */
    public function test_common_formats_hold_what_they_are_known_to_hold(): void
    {
        $kib = array_map(static fn (array $it): float => $it['tracks'] * $it['sides'] * $it['sectors'] * $it['bytes'] / 1024, CommonFormats::all());
        self::assertSame([87.5, 160.0, 360.0, 720.0, 1200.0, 720.0, 880.0, 1440.0, 250.25, 1232.0], $kib);
        self::assertSame('5.25 inch, 40 tracks, 2 sides, 9 x 512, 360.0 KiB', CommonFormats::all()[2]['words']);
    }

    public function test_what_is_found_is_a_suspect_with_its_step_and_how_long_it_takes(): void
    {
        $of = static fn (EntryData ...$said): Findings => (new SetupRoom())->findings(
            new Situation(Stage::Find, House::profile(), new Facts(self::sheet(...$said)), new Allowance(0, 480, 0)),
        );
        $found = $of(self::said('setting a: J irq: 4*, 3'), self::said('setting b: J irq: 4*'), self::said('reports irq: 3, 4'));
        self::assertSame(['a (J) and b (J) both hold interrupt 4', 'something answers at interrupt 3, where nothing stands'], array_map(
            static fn (Suspect $it): string => $it->text, $found->suspects,
        ));
        self::assertSame([['Move J of a from 4 to 3.', 5.0], ['Look again: J of a stands on 3, not on 4?', 3.0]], array_map(
            static fn (Step $it): array => [$it->text, $it->minutes], $found->steps,
        ));
        self::assertSame([[], ['2 settings written down, nothing clashes'], ['1 setting written down']], [
            $found->known, $of(self::said('setting a: J irq: 4*'), self::said('setting b: J irq: 3*'))->known, $of(self::said('setting a: J irq: 4*'))->known,
        ]);
        $chain = $of(self::said('chain host 7 terminated, disc 0 terminated, scanner 0'))->steps[0];
        self::assertSame(15.0, $chain->minutes, 'three things to do');
    }

    /** Common practice, no source: the first ports of that age. */
    public function test_generic_devices_offer_the_numbers_of_their_age(): void
    {
        $devices = GenericDevice::library((string) file_get_contents(__DIR__.'/../../../database/library/devices.json'));
        $said = [];
        foreach ($devices as $it) {
            self::assertNotSame('', $it->source);
            self::assertCount(count($it->settings), $it->blocks());
            foreach ($it->blocks() as $block) {
                $said["{$it->name} {$block->takes->value}"] ??= $block->options[0]->value.' '.$block->length;
                // What is printed is read again as the same.
                self::assertEquals($block, SettingSaid::block($it->name, $block->line())?->known($block->source));
            }
        }
        foreach ([
            'serial card irq' => '4 ', 'serial card io' => '3F8 8', 'parallel card irq' => '7 ', 'parallel card io' => '378 4', 'game port io' => '200 8',
            'floppy controller irq' => '6 ', 'floppy controller dma' => '2 ', 'floppy controller io' => '3F0 8', 'fixed disk controller, 8 bit irq' => '5 ',
            'fixed disk controller, 8 bit dma' => '3 ', 'fixed disk controller, 8 bit mem' => 'C800 16384', 'fixed disk controller, 16 bit irq' => '14 ',
            'fixed disk controller, 16 bit io' => '1F0 8', 'sound card io' => '220 16', 'network card io' => '300 32',
            'colour display adapter mem' => 'C000 32768',
        ] as $what => $number) {
            self::assertSame($number, $said[$what], $what);
        }
        $this->expectExceptionMessage('must be written as JP3 irq');
        GenericDevice::library('{"devices": [{"name": "x", "what": "x", "source": "x", "settings": ["JP1 irq 5"]}]}');
    }

    public function test_a_block_that_was_looked_at_is_known_of_the_kind(): void
    {
        $section = new SetupSection();
        $said = self::said('setting serial card: JP3 irq: 1-2 4*, 2-3 3');
        $once = $section->learned((object) ['rails' => []], $said) ?? self::fail('it teaches');
        $read = static fn (\stdClass $it): DescribedSetup => House::profile(['settings' => $it->settings])->section(DescribedSetup::class)
            ?? self::fail('it says something');
        self::assertSame(['JP3 irq: 1-2 4, 2-3 3'], array_map(static fn (KnownBlock $it): string => $it->line(), $read($once)->blocks));
        self::assertNull($section->learned($once, self::said('setting Serial card: jp3 irq: 1-2 4, 2-3 3*')), 'where it stands is of one machine only');
        $anew = $section->learned($once, self::said('setting serial card: JP3 irq: 1-2 4, 2-3 3*, 3-4 5')) ?? self::fail('it teaches');
        self::assertSame(['serial card: JP3 irq: 1-2 4, 2-3 3, 3-4 5'], $section->words(House::profile(['settings' => $anew->settings])));
        self::assertTrue($section->teaches($said));
        foreach ([
            '/settings/1/block' => ['settings' => [...$once->settings, ...$once->settings]],
            '/drive_types/1/type' => ['drive_types' => array_fill(0, 2, ['type' => 1, 'cylinders' => 306, 'heads' => 4, 'sectors' => 17])],
            '/settings/0/options/0/value' => ['settings' => [['device' => 'd', 'block' => 'b', 'takes' => 'irq', 'options' => [['value' => 'x']]]]],
        ] as $pointer => $wrong) {
            try {
                House::profile($wrong);
                self::fail($pointer);
            } catch (InvalidDocument $refused) {
                self::assertSame($pointer, $refused->pointer);
            }
        }
    }

    private static function sheet(EntryData ...$said): SetupSheet
    {
        return SetupSheet::of(array_values($said)) ?? self::fail('there is a sheet');
    }
}
