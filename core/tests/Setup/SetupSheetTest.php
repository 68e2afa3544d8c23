<?php

declare(strict_types=1);

namespace Ash\Tests\Setup;

use Ash\Document\InvalidDocument;
use Ash\Document\Node;
use Ash\Document\Shape;
use Ash\Logbook\UnclearLine;
use Ash\Setup\SettingSaid;
use Ash\Setup\SetupSheet;
use Ash\Setup\Takes;
use Ash\Setup\WayToStand;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Settings said in a line while looking at the board, and the sheet that they make. */
final class SetupSheetTest extends TestCase
{
    private static function said(string $line): SettingSaid
    {
        $said = SettingSaid::said($line, "setting {$line}");
        self::assertSame('setting', $said->kind, $line);

        return Shape::of(SettingSaid::class)->read(Node::parse((string) json_encode($said->data)));
    }

    /** @return iterable<string, array{string, SettingSaid, string}> */
    public static function lines(): iterable
    {
        $ways = static fn (string ...$of): array => array_map(static function (string $it): WayToStand {
            $words = explode(' ', $it);
            $value = (string) array_pop($words);

            return new WayToStand($value, $words === [] ? null : implode(' ', $words));
        }, array_values($of));
        yield 'a jumper' => [
            'sound card: JP3 irq: 1-2 5, 2-3 7*',
            new SettingSaid('sound card', 'JP3', Takes::Irq, $ways('1-2 5', '2-3 7'), 1),
            'sound card, JP3: interrupt 2-3 (7)',
        ];
        yield 'a switch' => [
            'sound card: SW1 1-4 io: 220 240* 260 280',
            new SettingSaid('sound card', 'SW1 1-4', Takes::Io, $ways('220', '240', '260', '280'), 1, 8),
            'sound card, SW1 1-4: ports 240, 8 long',
        ];
        yield 'close together' => [
            'clock card: J1 io: 2C0*, 2C4',
            new SettingSaid('clock card', 'J1', Takes::Io, $ways('2C0', '2C4'), 0, 4),
            'clock card, J1: ports 2C0, 4 long',
        ];
        yield 'a length' => [
            'network card: JP1 io/32: 300*, 320',
            new SettingSaid('network card', 'JP1', Takes::Io, $ways('300', '320'), 0, 32),
            'network card, JP1: ports 300, 32 long',
        ];
        yield 'a window' => [
            'network card: JP2 mem/16K: C800*, D000',
            new SettingSaid('network card', 'JP2', Takes::Mem, $ways('C800', 'D000'), 0, 16_384),
            'network card, JP2: memory window C800, 16K long',
        ];
        yield 'an id' => ['disc: ID id: off 0, 1 1*', new SettingSaid('disc', 'ID', Takes::Id, $ways('off 0', '1 1'), 1), 'disc, ID: bus id 1 (1)'];
    }

    #[DataProvider('lines')]
    public function test_a_line_says_a_setting(string $line, SettingSaid $is, string $words): void
    {
        $read = self::said($line);
        self::assertEquals($is, $read);
        self::assertSame($words, $read->sentence(''));
    }

    public function test_what_is_plainly_said_is_kept_and_what_is_half_said_asks(): void
    {
        self::assertSame('observation', SettingSaid::said('on the label is 5', 'setting on the label is 5')->kind);
        try {
            self::said('sound card: JP3 irq: 1-2 5, 2-3 7');
            self::fail('without a star nobody knows where it stands');
        } catch (UnclearLine $unclear) {
            self::assertStringContainsString('a star where it stands', $unclear->getMessage());
        }
        foreach ([
            '/at' => ['at' => 2], '/options/0/value' => ['options' => [['value' => 'five'], ['value' => '7']]],
            '/options/1/value' => ['options' => [['value' => '7'], ['value' => '7']]],
            '/length' => ['length' => 8], '/options' => ['options' => []],
        ] as $pointer => $wrong) {
            try {
                Shape::of(SettingSaid::class)->read(Node::parse(
                    (string) json_encode(
                        $wrong + ['device' => 'd', 'block' => 'b', 'takes' => 'irq', 'options' => [['value' => '5'], ['value' => '7']], 'at' => 0],
                    ),
                ));
                self::fail($pointer);
            } catch (InvalidDocument $refused) {
                self::assertSame($pointer, $refused->pointer);
            }
        }
    }

    /**
     * Two cards on one interrupt: one jumper moves, and the sheet is clear. COM1 and COM3 of that age share one by their makers' defaults (common practice).
     */
    public function test_two_cards_on_one_interrupt_and_the_shortest_way_out(): void
    {
        $serial = self::said('serial card: JP3 irq: 1-2 4*, 2-3 3');
        $modem = self::said('modem: J2 irq: 1-2 4*');
        $mouse = self::said('mouse card: J9 irq: 1-2 3, 2-3 5*');
        $sheet = SetupSheet::of([$serial, $modem, $mouse]) ?? self::fail('there is a sheet');
        self::assertSame(['serial card (JP3) and modem (J2) both hold interrupt 4'], $sheet->clashes());
        self::assertSame([['JP3 of serial card from 1-2 (4) to 2-3 (3)']], array_map(static fn (array $plan): array => array_map(
            static fn (array $it): string => "{$it[0]->block} of {$it[0]->device} from {$it[0]->stands()->words()} "
                ."to {$it[0]->options[$it[1]]->words()}", $plan,
        ), $sheet->plans()));
        self::assertSame(['move JP3 of serial card from 1-2 (4) to 2-3 (3)'], $sheet->firstWay());
        self::assertSame(['setup', 'conflict'], [$sheet->answers()[0]->room, $sheet->answers()[0]->finding]);
        self::assertNotContains(4, $sheet->free(Takes::Irq));
        self::assertContains(7, $sheet->free(Takes::Irq));
        self::assertSame([], $sheet->free(Takes::Dma));
        // The last word about a block counts, however it is written.
        $moved = SetupSheet::of([$serial, $modem, $mouse, self::said('Serial Card: jp3 irq: 1-2 4, 2-3 3*')]) ?? self::fail('there is a sheet');
        self::assertSame([[], 3, 'fine'], [$moved->clashes(), count($moved->settings), $moved->answers()[0]->finding]);
        self::assertNull(SetupSheet::of([]));
        self::assertSame([], SetupSheet::of([$serial])?->answers(), 'one setting clears nothing');
    }

    public function test_windows_and_ports_that_overlap(): void
    {
        $sheet = SetupSheet::of([
            self::said('disc card: W1 mem/16K: C800*, D000'),
            self::said('network card: W1 mem/16K: CA00*, D800'),
            self::said('video: ROM mem/32K: C0000*'),
        ])
            ?? self::fail('there is a sheet');
        self::assertSame(['disc card (W1) and network card (W1) both hold memory window CA000 to CBFFF'], $sheet->clashes());
        self::assertCount(2, $sheet->plans());
        $ports = SetupSheet::of([self::said('game port: J1 io/8: 200*'), self::said('sound: J1 io/16: 200*')]) ?? self::fail('there is a sheet');
        self::assertSame(['game port (J1) and sound (J1) both hold ports 200 to 207'], $ports->clashes());
        self::assertSame([[], []], [$ports->plans(), $ports->firstWay()]);
    }
}
