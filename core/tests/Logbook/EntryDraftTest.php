<?php

declare(strict_types=1);

namespace Ash\Tests\Logbook;

use Ash\Document\InvalidDocument;
use Ash\Logbook\EntryDraft;
use Ash\Tests\House;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class EntryDraftTest extends TestCase
{
    private const ID = '01J0000000000000000000000A';
    private const RUN = '01J0000000000000000000000B';
    private const READING = ['run' => self::RUN, 'rail' => '+5', 'test_point' => 'J1', 'load' => 'working'];

    /** @param array<string, mixed> $fields */
    private static function draft(array $fields): EntryDraft
    {
        return House::draft(['id' => self::ID, 'at' => '2026-03-01T09:30:00+01:00', ...$fields]);
    }

    /** @return array<string, array{array<string, mixed>, array<string, mixed>}> */
    public static function taken(): array
    {
        return [
            'a typed voltage with a comma' => [['kind' => 'reading', 'data' => [...self::READING, 'volts' => '4,98']], [...self::READING, 'volts' => 4.98]],
            'millivolts' => [['kind' => 'reading', 'data' => [...self::READING, 'volts' => '47 mV']], [...self::READING, 'volts' => 0.047]],
            'a bare ripple is in millivolts' => [
                ['kind' => 'reading', 'data' => [...self::READING, 'volts' => 5, 'ripple_mvpp' => '120']],
                [...self::READING, 'volts' => 5.0, 'ripple_mvpp' => 120.0],
            ],
            'a ripple in volts' => [
                ['kind' => 'reading', 'data' => [...self::READING, 'volts' => 5, 'ripple_mvpp' => '0.12 Vpp']],
                [...self::READING, 'volts' => 5.0, 'ripple_mvpp' => 120.0],
            ],
            'ohms' => [['kind' => 'reading', 'data' => [...self::READING, 'ohms_to_ground' => '4k7']], [...self::READING, 'ohms_to_ground' => 4700.0]],
            'a part' => [['kind' => 'part', 'data' => ['designator' => 'C1', 'to' => '10u']], ['designator' => 'C1', 'to' => '10u']],
            'an outcome' => [
                ['kind' => 'outcome', 'data' => ['outcome' => 'fixed', 'handed_back' => true]],
                ['outcome' => 'fixed', 'handed_back' => true, 'limits' => []],
            ],
        ];
    }

    /**
     * @param array<string, mixed> $fields
     * @param array<string, mixed> $data
     */
    #[DataProvider('taken')]
    public function test_data_are_kept_in_canonical_form(array $fields, array $data): void
    {
        self::assertEquals($data, House::plain(self::draft($fields)->data));
    }

    public function test_a_line_gives_minutes_and_an_explicit_number_wins(): void
    {
        self::assertSame(10, self::draft(['line' => 'did wash it 10 min'])->minutes);
        self::assertSame(3, self::draft(['line' => 'did wash it 10 min', 'minutes' => 3])->minutes);
        self::assertSame('action', self::draft(['line' => 'did wash it'])->kind->name);
    }

    /** @return array<string, array{array<string, mixed>, string}> */
    public static function refused(): array
    {
        return [
            'no kind' => [['text' => 'x'], '/kind'],
            'an unknown kind' => [['kind' => 'rumour', 'text' => 'x'], '/kind'],
            'line and kind' => [['line' => 'x', 'kind' => 'action'], '/kind'],
            'a symptom without words' => [['kind' => 'symptom'], '/text'],
            'a symptom of blanks' => [['kind' => 'symptom', 'text' => '  '], '/text'],
            'data that the kind has none of' => [['kind' => 'symptom', 'text' => 'x', 'data' => ['volts' => 1]], '/data/volts'],
            'not a ULID' => [['id' => 'one', 'kind' => 'action', 'text' => 'x'], '/id'],
            'a time without offset' => [['at' => '2026-03-01T09:30:00', 'kind' => 'action', 'text' => 'x'], '/at'],
            'a day that does not exist' => [['at' => '2026-02-30T09:30:00Z', 'kind' => 'action', 'text' => 'x'], '/at'],
            'negative minutes' => [['kind' => 'action', 'text' => 'x', 'minutes' => -1], '/minutes'],
            'half a minute' => [['kind' => 'action', 'text' => 'x', 'minutes' => 0.5], '/minutes'],
            'an unknown stage' => [['kind' => 'action', 'text' => 'x', 'stage' => 'lunch'], '/stage'],
            'withdrawn without what' => [['kind' => 'withdrawn', 'text' => 'x'], '/corrects'],
            'a reading without a value' => [['kind' => 'reading', 'data' => self::READING], '/data'],
            'a reading of words' => [['kind' => 'reading', 'data' => [...self::READING, 'volts' => 'five']], '/data/volts'],
            'a thousands mark' => [['kind' => 'reading', 'data' => [...self::READING, 'volts' => '1,234.5']], '/data/volts'],
            'a slip of the finger' => [['kind' => 'reading', 'data' => [...self::READING, 'volts' => 5e6]], '/data/volts'],
            'negative ohms' => [['kind' => 'reading', 'data' => [...self::READING, 'ohms_to_ground' => '-4']], '/data/ohms_to_ground'],
            'a ripple from nowhere' => [['kind' => 'reading', 'data' => [...self::READING, 'volts' => 5, 'ripple_from' => 'rms']], '/data/ripple_from'],
            'a part without the new one' => [['kind' => 'part', 'data' => ['designator' => 'C1']], '/data/to'],
            'a band without a rail' => [['kind' => 'decision', 'text' => 'x', 'data' => ['reason' => 'y', 'band' => 'wide']], '/data'],
            'handed back as a word' => [['kind' => 'outcome', 'data' => ['outcome' => 'fixed', 'handed_back' => 'yes']], '/data/handed_back'],
        ];
    }

    /** @param array<string, mixed> $fields */
    #[DataProvider('refused')]
    public function test_what_is_wrong_is_refused_by_field(array $fields, string $pointer): void
    {
        try {
            self::draft($fields);
            self::fail('was taken');
        } catch (InvalidDocument $fault) {
            self::assertSame($pointer, $fault->pointer);
        }
    }
}
