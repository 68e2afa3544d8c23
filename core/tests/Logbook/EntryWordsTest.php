<?php

declare(strict_types=1);

namespace Ash\Tests\Logbook;

use Ash\Tests\House;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Screen, paper and export say the same words. */
final class EntryWordsTest extends TestCase
{
    /** @return list<array{string, string, array<string, mixed>, string}> */
    public static function entries(): array
    {
        $reading = ['run' => '01J0000000000000000000000B', 'rail' => '+12', 'test_point' => 'J1', 'load' => 'working'];

        return [
            ['reading', '', [...$reading, 'volts' => 0.047, 'verdict' => 'out'], '+12 at J1, working load: 47 mV (out)'],
            [
                'reading',
                'probe slipped',
                [...$reading, 'volts' => 11.98, 'ripple_mvpp' => 41.23, 'verdict' => 'in_close'],
                '+12 at J1, working load: 11.98 V, ripple 41.23 mVpp (in, close). probe slipped',
            ],
            [
                'reading',
                '',
                [...$reading, 'volts' => 12.0, 'ripple_mvpp' => 41, 'ripple_from' => 'rms', 'amps' => 0.25, 'verdict' => 'in'],
                '+12 at J1, working load: 12 V, ripple 41 mVpp from AC volts, 250 mA (in)',
            ],
            ['reading', '', [...$reading, 'ohms_to_ground' => 1.5], '+12 at J1, working load: 1.5 Ω to ground'],
            [
                'part',
                'replaced C1',
                ['designator' => 'C1', 'from' => '1u', 'to' => '2u', 'source' => 'shelf', 'date_code' => '8431'],
                'C1: 1u to 2u, from shelf, date code 8431',
            ],
            ['part', '', ['designator' => 'C1', 'to' => '2u'], 'C1 to 2u'],
            ['waiting', 'waiting', ['for' => 'a fuse', 'asked' => 'the stores'], 'Waiting for a fuse, asked of the stores'],
            ['battery', 'battery leaking badly', ['state' => 'leaking'], 'Battery leaking'],
            ['stage', '', ['to' => 'first_power'], 'Stage: First power'],
            ['gate', '', ['gate' => 'rails', 'reason' => 'to hear it'], 'Went on past Gate 2: rails, because to hear it'],
            ['decision', 'to recap', ['reason' => 'two are bad'], 'Decided: to recap, because two are bad'],
            [
                'outcome',
                '',
                ['outcome' => 'fixed_with_limits', 'handed_back' => true, 'limits' => ['a', 'b'], 'next_time' => 'C51'],
                'Fixed with limits, handed back. Limits: a; b. Next time: C51',
            ],
            [
                'outcome',
                '',
                ['outcome' => 'parked', 'handed_back' => false, 'limits' => [], 'waiting_for' => 'a listing'],
                'Parked, not handed back. Waits for a listing',
            ],
            ['undone', 'undid it', ['hazard' => '01J0000000000000000000000B', 'what' => 'bridged switch'], 'Undone: bridged switch'],
            ['observation', 'saw it', [], 'saw it'],
        ];
    }

    /** @param array<string, mixed> $data */
    #[DataProvider('entries')]
    public function test_an_entry_in_words(string $kind, string $text, array $data, string $says): void
    {
        self::assertSame($says, House::says($kind, $text, $data));
    }
}
