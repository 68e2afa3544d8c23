<?php

declare(strict_types=1);

namespace Ash\Tests\Logbook;

use Ash\Capacitors\CapacitorFound;
use Ash\Capacitors\CapacitorLine;
use Ash\Logbook\LineFacts;
use Ash\Logbook\LineSaid;
use Ash\Logbook\LogbookRoom;
use Ash\Memory\ErrorSaid;
use Ash\Memory\FittedMemory;
use Ash\Memory\RowsLine;
use Ash\Rooms;
use Ash\Tests\House;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Every room's words in the job's line. The lines of the first block are those that the capability was asked for with. */
final class RoomLinesTest extends TestCase
{
    private static function said(string $line): LineSaid
    {
        return Rooms::hall()->lines->plainly($line, Rooms::hall()->kinds);
    }

    private static function sentences(LineSaid $said): string
    {
        $kinds = Rooms::hall()->kinds;
        $words = [];
        for ($it = $said; $it !== null; $it = $it->also) {
            $words[] = "{$it->kind}: ".$kinds->sentence($it->kind, $it->text, $it->read($kinds));
        }

        return implode(' | ', $words);
    }

    /** @return list<array{string, string}> */
    public static function lines(): array
    {
        return [
            ['rail +12 11.31 ripple 141 at U52 out loaded', 'reading: +12 at U52 out, working load: 11.31 V, ripple 141 mVpp'],
            ['C12 bulged', 'cap_reading: C12 in circuit: bulged'],
            ['bat nicd 3 leaking', 'battery: Battery leaking: nickel-cadmium, 3 cells'],
            ['battery leaking at the edge', 'battery: Battery leaking, at the edge'],
            ['mem 1A3F 55 51', 'memory: Memory error at 1A3F: 55 was written, 51 read'],
            ['out lid; 6 M4x8', 'strip: lid; 6 M4x8'],
            [
                'C12 1000u 16V bulged +12',
                'capacitor: Capacitor C12: 1000 µF 16 V, aluminium (kind guessed from the value), on +12 | cap_reading: C12 in circuit: bulged',
            ],
            ['leak slot 3 bracket 4', 'survey: slot 3 bracket: grade 4, trace or leg gone, part crumbles, carries nothing'],
            ['rail +5 standby 5.02 unloaded', 'reading: +5 standby, no load: 5.02 V'],
            ['rail -5 ohms 0.4', 'reading: -5: 400 mΩ to ground'],
            ['Rail: +5 4,98 sure', 'reading: +5: 4.98 V'],
            ['rails +5 6A, +12 1.5A, -12 0.3A, -5', 'rails_said: Rails from the label: +5, +12, -12, -5'],
            ['mem rows 2 x 8 4116 U20 at 0', 'memory_said: Memory: 2 rows of 8 4116, 8 bits, from U20, at 0'],
            ['c9 104 fi 100V', 'capacitor: Capacitor C9: 100 nF 100 V, film'],
            ['C9 47u 25V behind R14 burst', 'capacitor: Capacitor C9: 47 µF 25 V, aluminium (kind guessed from the value) | cap_reading: C9 in circuit: burst'],
            ['C12 reads 740u esr 0.9 out-of-circuit', 'cap_reading: C12 lifted: 740 µF, ESR 900 mΩ'],
            [
                'bat nicd 3 3.8V sound towards the keyboard plug',
                'battery: Battery sound: nickel-cadmium, 3 cells, positive end towards the keyboard plug, 3.8 V (charged)',
            ],
            ['leak R14 trace 3 12 mm clock', 'survey: R14 trace: grade 3, mask lifted, pads or contacts eaten, 12 mm off, carries clock'],
            // Plain words stay plain words, whatever they begin with.
            ['C12 was changed by the last owner', 'observation: C12 was changed by the last owner'],
            ['memory counts up and stops', 'observation: memory counts up and stops'],
        ];
    }

    #[DataProvider('lines')]
    public function test_a_line_of_every_room(string $line, string $says): void
    {
        self::assertSame([$says, null], [self::sentences(self::said($line)), self::said($line)->doubt]);
    }

    /** @return list<array{string, string}> */
    public static function doubtful(): array
    {
        return [
            ['rail +5', 'must have volts or ohms'], ['rail +5 5.0 at', 'say what stands behind "at"'], ['rail +5 5.0 loaded partial', 'says load twice'],
            ['rail +5 5.0 wobbly', 'does not understand "wobbly"'], ['C12 1000u bulgd', 'does not understand "bulgd"'], ['battery sulks', 'write it as'],
            ['mem foo', 'write it as'], ['stage lunch', 'write it as'], ['leak R14 trace 3', 'say at its end what it carries'],
            ['rails blue', 'has no rail that can be read'],
            ['waiting for a 7812 since 2026-19-40', 'since'], ['bat nicd 3 38V sound', 'volts'],
        ];
    }

    #[DataProvider('doubtful')]
    public function test_what_cannot_be_placed_is_an_observation_with_the_doubt(string $line, string $doubt): void
    {
        $said = self::said($line);
        self::assertSame([LogbookRoom::OBSERVATION, $line], [$said->kind, $said->text]);
        self::assertStringContainsString($doubt, (string) $said->doubt);
    }

    public function test_ten_thousand_random_lines_never_throw_and_lose_no_word(): void
    {
        mt_srand(20_261_127);
        $words = [
            'rail', 'rails', '+12', '-5', '11.31', '5,02', 'ripple', '141', 'at', 'U52', 'loaded', 'partial', 'ohms', 'C12', 'CE4', '1000u', '16V',
            '104K', 'bulged',
            'reads', 'esr', 'bat', 'battery', 'nicd', '3', 'leaking', 'towards', 'mem', 'rows', '1A3F', '55', '51', 'x', '4116', 'out', 'lid;', 'M4x8', 'leak',
            'slot', 'bracket', '4', '20mm', 'signal', 'replaced', '->', 'with', 'from', 'stage', 'supply', 'decided', 'because', 'waiting', 'since',
            '2026-02-30',
            'arrived', 'undid', 'temp', 'note', '10', 'min', '2h', 'Ω', '4k7', '1e400', '−12', '💥', "\u{202E}", '999999999999999999999', '0x',
            "'", '{"a":1}', '//', 'sure',
        ];
        $kinds = Rooms::hall()->kinds;
        for ($n = 0; $n < 10_000; ++$n) {
            $line = implode(
                mt_rand(0, 9) === 0 ? '  ' : ' ',
                array_map(static fn (): string => $words[mt_rand(0, count($words) - 1)], range(0, mt_rand(0, 8))),
            );
            $said = self::said($line);
            $sentence = self::sentences($said);
            self::assertNotSame('', $sentence, $line);
            if ($said->doubt !== null) {
                self::assertSame(LogbookRoom::OBSERVATION, $said->kind);
                self::assertStringStartsWith($said->text, preg_replace('/\s+/u', ' ', $line) === $line ? $line : $said->text, $line);
            }
            foreach (Rooms::hall()->lines->completions($line) as $on) {
                self::assertNotSame($line, $on);
            }
            self::assertArrayHasKey($said->kind, $kinds->all);
        }
    }

    public function test_the_line_goes_on_with_what_this_board_has(): void
    {
        $facts = new LineFacts(
            House::profile(['rails' => [['name' => '+12', 'nominal_v' => 12, 'test_points' => [['name' => 'J1 pin 3', 'point' => 'supply']]]]]),
            ['C11', 'C12', 'C3'],
        );
        $on = static fn (string $begun): array => Rooms::hall()->lines->completions($begun, $facts);
        self::assertSame(['C11', 'C12'], $on('C1'));
        self::assertSame(['C12 bulged'], $on('C12 bul'));
        self::assertContains('rail +12', $on('rail +1'));
        self::assertContains('rail +12 11.3 loaded', $on('rail +12 11.3 loa'));
        self::assertNotSame([], $on('rail +12 11.3 at '));
        self::assertSame(['mem rows 2 x 8 4116 U20 at 0'], $on('mem r'));
        self::assertSame(['stage'], $on('stag'));
    }

    public function test_the_next_designator_and_the_same_value_make_a_line_that_says_the_same(): void
    {
        $found = self::said('C12 1000u 16V +12 ta')->read(Rooms::hall()->kinds);
        self::assertInstanceOf(CapacitorFound::class, $found);
        self::assertSame(['C13', null], [CapacitorLine::next('C12'), CapacitorLine::next('behind the relay')]);
        $again = self::said(CapacitorLine::anew('C13', $found))->read(Rooms::hall()->kinds);
        self::assertInstanceOf(CapacitorFound::class, $again);
        self::assertSame([$found->markedF, $found->ratedV, $found->kind, $found->rail], [$again->markedF, $again->ratedV, $again->kind, $again->rail]);
    }

    public function test_an_error_is_laid_on_the_map_while_it_is_typed(): void
    {
        $memory = FittedMemory::read(House::node(RowsLine::read('2 x 8 4116 U20 at 0', '')->memory('main', '')));
        self::assertSame("falls on U22 of {$memory->name}", (new ErrorSaid('1A3F 55 51'))->on($memory));
        self::assertSame('both are the same: no error', (new ErrorSaid('1A3F 55 55'))->on($memory));
        self::assertStringContainsString('does not reach', (string) (new ErrorSaid('FFFFFF 55 51'))->on($memory));
    }
}
