<?php

declare(strict_types=1);

namespace Ash\Tests\Trial;

use Ash\Cli\Door;
use Ash\Document\InvalidDocument;
use Ash\Facts\Facts;
use Ash\Logbook\Allowance;
use Ash\Logbook\Hall;
use Ash\Logbook\Situation;
use Ash\Logbook\Stage;
use Ash\Rooms;
use Ash\Tests\House;
use PHPUnit\Framework\TestCase;

/** A room plugs in with its own folder and a line in the list, and with nothing else. */
final class TrialRoomTest extends TestCase
{
    private static function hall(): Hall
    {
        return new Hall(...Rooms::all(), ...[new TrialRoom()]);
    }

    public function test_its_entries_are_read_kept_and_said(): void
    {
        $hall = self::hall();
        $draft = $hall->draft(House::node([
            'id' => '01HZY3G0000000000000000001', 'at' => '2026-03-01T09:00:00Z', 'kind' => 'sniffed', 'data' => ['of' => 'fish', 'strength' => 3],
        ]));
        self::assertEquals(new Sniffed('fish', 3), $draft->data);
        $stored = $hall->kinds->write('sniffed', $draft->data);
        self::assertSame('{"of":"fish","strength":3,"form":1}', $stored);
        self::assertSame('Smells of fish, 3 of 5', $hall->kinds->sentence('sniffed', '', $hall->kinds->stored('sniffed', $stored)));
        $this->expectExceptionObject(InvalidDocument::at('/strength', 'must be from 1 to 5'));
        $hall->kinds->read($hall->kinds->all['sniffed'], House::node(['of' => 'fish', 'strength' => 6]));
    }

    public function test_its_word_is_heard_on_the_line(): void
    {
        $said = self::hall()->lines->read('smells of fish');
        self::assertSame(['sniffed', 'smells of fish'], [$said->kind, $said->text]);
        self::assertContains('smells of fish', self::hall()->lines->examples());
    }

    public function test_its_findings_stand_on_the_sheet(): void
    {
        $at = static fn (Facts $facts): Situation => new Situation(Stage::Find, House::profile(), $facts, new Allowance(0, 480, 0), 'dead');
        $sheet = self::hall()->sheet($at(new Facts(new Smell('fish', 2))));
        self::assertContains('It smells of fish', $sheet->known);
        self::assertSame('a part that overheats', $sheet->suspected[0]->text);
        self::assertSame(['Air the board.', 'trial'], [$sheet->next()->text, $sheet->next()->room]);
        self::assertNotContains('Air the board.', [self::hall()->sheet($at(new Facts()))->next()->text]);
    }

    public function test_its_verb_is_a_command(): void
    {
        $door = new Door(...Rooms::all(), ...[new TrialRoom()]);
        [$code, $said] = $door->open(['trial', 'air'], static fn (): string => '{"strength": 2}');
        self::assertSame([0, ['minutes' => 20]], [$code, json_decode($said, true)]);
        self::assertNull((new Hall(...Rooms::all()))->rooms['trial'] ?? null, 'and without its line it is not there');
    }
}
