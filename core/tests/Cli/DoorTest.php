<?php

declare(strict_types=1);

namespace Ash\Tests\Cli;

use Ash\Cli\Door;
use Ash\Rooms;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class DoorTest extends TestCase
{
    /**
     * @param list<string> $words
     *
     * @return array{int, string, string}
     */
    private static function open(array $words, string $input = ''): array
    {
        return (new Door(...Rooms::all()))->open(
            $words,
            static fn (string $file): ?string => $file === '-' ? $input : (is_file($file) ? (string) file_get_contents($file) : null),
        );
    }

    public function test_without_words_it_lists_every_room_and_verb(): void
    {
        [$status, $out, $err] = self::open([]);
        self::assertSame([0, ''], [$status, $err]);
        foreach ([
            'rails judge',
            'rails path',
            'rails budget',
            'rails discharge',
            'rails logic',
            'batteries judge',
            'batteries options',
            'batteries hold',
            'batteries retention',
            'corrosion continuity',
            'corrosion wire',
        ] as $verb) {
            self::assertStringContainsString("  {$verb} ", $out);
        }
    }

    /** @return list<array{string, string}> every room and verb that the overview lists */
    public static function verbs(): array
    {
        preg_match_all('/^  (\w+) (\w+) /m', self::open([])[1], $m, PREG_SET_ORDER);

        return array_map(static fn (array $it): array => [$it[1], $it[2]], $m);
    }

    #[DataProvider('verbs')]
    public function test_help_shows_fields_and_an_example_that_computes(string $room, string $verb): void
    {
        [$status, $out] = self::open([$room, $verb, '--help']);
        self::assertSame(0, $status);
        self::assertMatchesRegularExpression('/Example\n\n(.+)\n\nanswers\n\n(.+)\n$/s', $out);
        preg_match('/Example\n\n(.+)\n\nanswers\n\n(.+)\n$/s', $out, $m);
        self::assertSame([0, ($m[2] ?? '')."\n", ''], self::open([$room, $verb], $m[1] ?? ''));
    }

    /** @return array<string, array{list<string>, string, string}> words, input, pointer */
    public static function refused(): array
    {
        return [
            'no such room' => [['lamps', 'judge'], '{}', ''],
            'no such verb' => [['rails', 'weigh'], '{}', ''],
            'no verb' => [['rails'], '{}', ''],
            'a word too many' => [['rails', 'path', '-', '-'], '{}', ''],
            'a file that is not there' => [['rails', 'path', '/nowhere/at/all.json'], '', ''],
            'nothing' => [['rails', 'path'], '', ''],
            'not JSON' => [['rails', 'path'], '{points: []}', ''],
            'two documents' => [['rails', 'path'], '{}{}', ''],
            'a list' => [['rails', 'path'], '[]', ''],
            'NaN' => [['rails', 'discharge'], '{"capacitance_f": NaN, "start_v": 1, "resistor_ohm": 1}', ''],
            'infinity' => [['rails', 'discharge'], '{"capacitance_f": 1e999, "start_v": 1, "resistor_ohm": 1}', '/capacitance_f'],
            'a member twice' => [['rails', 'discharge'], '{"capacitance_f": 1, "start_v": 1, "start_v": 2, "resistor_ohm": 1}', '/start_v'],
            'a member twice, deep' => [['rails', 'path'], '{"points": [{"name": "a"}, {"name": "b", "name": "c"}], "readings": []}', '/points/1/name'],
            'an escaped name twice' => [['rails', 'path'], '{"a/b": 1, "a\u002fb": 2}', '/a~1b'],
            'an unknown field with a slash' => [['rails', 'path'], '{"a/b~c": 1}', '/a~1b~0c'],
            'an option twice' => [['memory', 'locate', '--errors', '-', '--errors', '-'], '{}', ''],
            'an option of another verb' => [['memory', 'sum', '--errors', '-'], '{}', ''],
            'broken UTF-8' => [['rails', 'path'], "{\"\xff\": 1}", ''],
        ];
    }

    /** @param list<string> $words */
    #[DataProvider('refused')]
    public function test_refusals_are_one_json_object_on_standard_error(array $words, string $input, string $pointer): void
    {
        [$status, $out, $err] = self::open($words, $input);
        self::assertSame([2, ''], [$status, $out]);
        $error = json_decode($err, true, flags: JSON_THROW_ON_ERROR);
        self::assertIsArray($error);
        self::assertSame(['error'], array_keys($error));
        self::assertIsArray($error['error']);
        self::assertSame($pointer, $error['error']['pointer']);
        self::assertNotSame('', $error['error']['detail']);
    }

    public function test_the_program_itself_reads_files_and_standard_input(): void
    {
        $ash = dirname(__DIR__, 3).'/bin/ash';
        $document = '{"capacitance_f": 0.001, "start_v": 10, "resistor_ohm": 10}';
        $file = tempnam(sys_get_temp_dir(), 'ash');
        self::assertIsString($file);
        file_put_contents($file, $document);
        $from = static fn (string $command): ?array => json_decode((string) shell_exec($command), true);
        self::assertSame(0.01, $from("{$ash} rails discharge {$file}")['time_constant_s'] ?? null);
        self::assertSame(0.01, $from("{$ash} rails discharge - < {$file}")['time_constant_s'] ?? null);
        exec("{$ash} rails discharge < /dev/null 2>/dev/null", $lines, $status);
        self::assertSame([2, []], [$status, $lines]);
        unlink($file);
    }
}
