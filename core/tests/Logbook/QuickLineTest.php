<?php

declare(strict_types=1);

namespace Ash\Tests\Logbook;

use Ash\Logbook\LineSaid;
use Ash\Logbook\UnclearLine;
use Ash\Rooms;
use Eris\Generators;
use Eris\TestTrait;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class QuickLineTest extends TestCase
{
    use TestTrait;

    private static function said(string $line): LineSaid
    {
        return Rooms::hall()->lines->read($line);
    }

    /** @return list<array{string, string, string, array<string, mixed>, int}> */
    public static function lines(): array
    {
        return [
            ['symptom fan turns, screen dark', 'symptom', 'fan turns, screen dark', [], 0],
            ['Symptom: fan turns', 'symptom', 'fan turns', [], 0],
            ['saw a brown ring under R14', 'observation', 'saw a brown ring under R14', [], 0],
            ['a brown ring under R14 5 min', 'observation', 'a brown ring under R14', [], 5],
            ['did wash the connector, 1 h 20 min', 'action', 'wash the connector', [], 80],
            ['did wash the connector 2h', 'action', 'wash the connector', [], 120],
            [
                'replaced C12 1000u 16V -> 1000u 25V from shelf dc 8431',
                'part',
                'replaced C12 1000u 16V -> 1000u 25V from shelf dc 8431',
                ['designator' => 'C12', 'from' => '1000u 16V', 'to' => '1000u 25V', 'source' => 'shelf', 'date_code' => '8431'],
                0,
            ],
            ['replaced U7 with 7812 15 min', 'part', 'replaced U7 with 7812', ['designator' => 'U7', 'to' => '7812'], 15],
            ['temp bridged the mains switch', 'hazard', 'bridged the mains switch', [], 0],
            ['bridged the mains switch', 'hazard', 'bridged the mains switch', [], 0],
            [
                'waiting for a 7812 asked of the stores since 2026-10-01',
                'waiting',
                'waiting for a 7812 asked of the stores since 2026-10-01',
                ['for' => 'a 7812', 'asked' => 'the stores', 'since' => '2026-10-01T00:00:00Z'],
                0,
            ],
            ['decided to recap because two of four are bad', 'decision', 'to recap', ['reason' => 'two of four are bad'], 0],
            ['battery leaking', 'battery', 'battery leaking', ['state' => 'leaking'], 0],
            ['stage first power', 'stage', '', ['to' => 'first_power'], 0],
            ['Stage Strip-down', 'stage', '', ['to' => 'strip_down'], 0],
            [
                'out lid; 6 M4x8, 2 M3x6; J1 black beside black; stuck 5 min',
                'strip',
                'out lid; 6 M4x8, 2 M3x6; J1 black beside black; stuck',
                [
                    'what' => 'lid',
                    'fixings' => [['kind' => 'M4x8', 'count' => 6], ['kind' => 'M3x6', 'count' => 2]],
                    'connectors' => [['name' => 'J1', 'orientation' => 'black beside black']],
                    'condition' => ['stuck'],
                ],
                5,
            ],
            ['loose M3x6 under the board', 'waiting', 'loose M3x6 under the board', ['for' => 'where the loose M3x6 under the board came from'], 0],
            ['replacement arrived at the door', 'observation', 'replacement arrived at the door', [], 0],
        ];
    }

    /** @param array<string, mixed> $data */
    #[DataProvider('lines')]
    public function test_the_leading_word_picks_the_kind(string $line, string $kind, string $text, array $data, int $minutes): void
    {
        $quick = self::said($line);
        self::assertSame([$kind, $text, $data, $minutes], [$quick->kind, $quick->text, json_decode((string) json_encode($quick->data), true), $quick->minutes]);
    }

    /** @return list<array{string}> */
    public static function unclear(): array
    {
        return [['replaced C12'], ['decided to stop'], ['battery sulks'], ['stage lunch'], ['symptom'], ['undid']];
    }

    #[DataProvider('unclear')]
    public function test_a_known_word_with_an_unclear_rest_says_how_to_write_it(string $line): void
    {
        $this->expectException(UnclearLine::class);
        $this->expectExceptionMessage('write it as:');
        self::said($line);
    }

    public function test_every_example_of_the_key_help_is_read_as_its_word_says(): void
    {
        foreach (Rooms::hall()->lines->examples() as $word => $example) {
            self::assertStringStartsWith($word, $example);
            $quick = self::said($example);
            $kinds = Rooms::hall()->kinds;
            self::assertNotSame('', $kinds->sentence($quick->kind, $quick->text, $quick->read($kinds)));
        }
    }

    public function test_nothing_that_is_typed_is_lost(): void
    {
        $this->forAll(Generators::string())->then(static function (string $typed): void {
            $line = trim((string) preg_replace('/[^\x21-\x7e ]/', 'x', $typed));
            try {
                $quick = self::said("note: {$line}z");
                self::assertStringContainsString(trim("{$line}z"), "{$quick->text}");
            } catch (UnclearLine) {
                self::fail('a note was not taken');
            }
        });
    }
}
