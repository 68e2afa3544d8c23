<?php

declare(strict_types=1);

namespace Ash\Tests\Memory;

use Ash\Document\InvalidDocument;
use Ash\Document\Node;
use Ash\Document\Shape;
use Ash\Memory\BitErrors;
use Ash\Memory\Comparison;
use Ash\Memory\Condition;
use Ash\Memory\FittedMemory;
use Ash\Memory\MemoryRun;
use Ash\Memory\MemoryStanding;
use Ash\Memory\Seen;
use Ash\Memory\Since;
use Ash\Memory\Soak;
use Ash\Memory\Swap;
use Ash\Tests\House;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** What follows from runs: the exchange and its prediction, two runs side by side, the soak's curve. Facts of the trade: common practice, no source. */
final class SwapTest extends TestCase
{
    private static function memory(): FittedMemory
    {
        $bank = static fn (string $name, string $start, int $first): array => [
            'name' => $name,
            'start' => $start,
            'words' => 16384,
            'parity' => ['ref' => 'U'.($first + 4)],
            'chips' => array_map(static fn (int $i): array => ['ref' => 'U'.($first + $i), 'bits' => [$i]], range(0, 3)),
        ];

        return FittedMemory::read(Node::parse(json_encode(
            ['key' => 'm', 'name' => 'M', 'map' => ['word_bits' => 4, 'banks' => [$bank('0', '0', 30), $bank('1', '4000', 20)]]],
            JSON_THROW_ON_ERROR,
        )));
    }

    /** @param array<string, int> $errors by "bank bit" */
    private static function seen(array $errors): Seen
    {
        return Seen::of(
            self::memory()->map,
            array_map(static fn (string $at, int $n): BitErrors => new BitErrors(explode(' ', $at)[0], explode(' ', $at)[1], $n), array_keys($errors), $errors),
        );
    }

    public function test_the_nearest_good_neighbour_is_suggested_and_the_move_predicted(): void
    {
        $before = self::seen(['0 2' => 9]);
        $swap = Swap::suggest(self::memory(), 'U32', $before) ?? self::fail('no neighbour');
        self::assertSame(['U32', 'U31'], [$swap->from, $swap->to]);
        self::assertStringContainsString('from bank 0 bit 2 to bank 0 bit 1', $swap->predicts($before));
        self::assertSame(
            'U33',
            Swap::suggest(self::memory(), 'U32', self::seen(['0 2' => 9, '0 1' => 1]))?->to,
            'a neighbour with errors is no good neighbour',
        );
        self::assertSame(
            'U22',
            Swap::suggest(self::memory(), 'U32', self::seen(['0 2' => 9, '0 1' => 1, '0 3' => 1, '0 0' => 1]))?->to,
            'then one of another bank',
        );
        self::assertSame('U24', Swap::suggest(self::memory(), 'U34', self::seen(['0 P' => 9]))?->to, 'a parity chip goes with a parity chip');
        self::assertNull(Swap::suggest(self::memory(), 'U34', self::seen(['0 P' => 9, '1 P' => 1])));
    }

    /** @return array<string, array{array<string, int>, string, string}> errors afterwards, verdict, a word of the text */
    public static function outcomes(): array
    {
        return [
            'the error moved' => [['0 1' => 7], 'confirmed', 'replace it'],
            'it stayed' => [['0 2' => 7], 'stayed', 'its socket'],
            'it is at both' => [['0 1' => 7, '0 2' => 7], 'both', 'share'],
            'it is gone' => [[], 'gone', 'contact'],
            'something else fails now' => [['1 3' => 2], 'gone', 'soak'],
        ];
    }

    /** @param array<string, int> $after */
    #[DataProvider('outcomes')]
    public function test_the_next_run_confirms_or_refutes_in_words(array $after, string $verdict, string $word): void
    {
        $swap = Swap::between(self::memory(), Node::of('U32', '/from'), Node::of('U31', '/to'));
        $judged = $swap->judge(self::seen(['0 2' => 9]), self::seen($after));
        self::assertSame($verdict, $judged[0]->value);
        self::assertStringContainsString($word, $judged[1]);
    }

    public function test_chips_of_another_width_or_name_are_not_exchanged(): void
    {
        foreach ([['U32', 'U32', '/to'], ['U99', 'U32', '/from'], ['U32', 'U99', '/to']] as [$from, $to, $pointer]) {
            try {
                Swap::between(self::memory(), Node::of($from, '/from'), Node::of($to, '/to'));
                self::fail("{$from} {$to}");
            } catch (InvalidDocument $fault) {
                self::assertSame($pointer, $fault->pointer);
            }
        }
    }

    /** @param array<string, mixed> $of */
    private static function condition(array $of): Condition
    {
        return Shape::of(Condition::class)->read(House::node($of));
    }

    public function test_cold_against_warm_points_to_refresh_or_a_weak_cell(): void
    {
        $it = Comparison::of(
            self::memory()->map,
            self::seen([]),
            self::seen(['0 2' => 4]),
            self::condition(['warmth' => 'cold']),
            self::condition(['warmth' => 'warm', 'minutes_on' => 45]),
        );
        self::assertSame([['bank' => '0', 'bit' => '2', 'ref' => 'U32', 'one' => 0, 'other' => 4, 'change' => 'new']], $it['rows']);
        self::assertSame(
            [
                'Only in the second (warm): U32.',
                'Errors that come only in one condition point to refresh or to a weak cell: repeat both conditions before a part is named.',
            ],
            $it['says'],
        );
    }

    public function test_a_baseline_against_a_new_part_names_the_part(): void
    {
        $plain = self::condition([]);
        $known = self::condition(['known_good' => 'a tested 4116 in U32']);
        $says = static fn (array $one, array $other, Condition $a, Condition $b): string => implode(
            ' ',
            Comparison::of(self::memory()->map, self::seen($one), self::seen($other), $a, $b)['says'],
        );
        self::assertStringContainsString('gone with a tested 4116 in U32: what was taken out for it was bad', $says(['0 2' => 4], [], $plain, $known));
        self::assertStringContainsString('the baseline was good', $says([], ['0 2' => 4], $plain, $known));
        self::assertStringContainsString('not the whole story', $says(['0 1' => 2], ['0 2' => 4], $plain, $known));
        self::assertStringContainsString('without a pause', $says(['0 1' => 2], [], $plain, self::condition(['pause_min' => 10])));
        self::assertStringContainsString('Soak tells', $says(['0 1' => 2], [], $plain, $plain));
        self::assertSame('In both: U31.', $says(['0 1' => 2], ['0 1' => 5], $plain, $plain));
        self::assertSame('Neither run shows an error.', $says([], [], $plain, $plain));
    }

    public function test_the_state_of_a_job_follows_from_the_last_run_and_what_was_done_since(): void
    {
        $says = static fn (array $change = [], ?Since $done = null): MemoryStanding => MemoryStanding::of(self::tested($change), $done);
        self::assertSame(['M: chip U32', '9 errors', 'Swap U32.', 0.5], [$says()->suspect, $says()->why, $says()->next, $says()->probability]);
        self::assertSame([null, 'Repeat the memory test of M.'], [$says([], Since::Exchanged)->suspect, $says([], Since::Replaced)->next]);
        self::assertStringContainsString('two chips were exchanged', (string) $says([], Since::Exchanged)->why);
        self::assertStringContainsString('something was changed', (string) $says([], Since::Replaced)->why);
        self::assertNull($says(['errors' => 0])->next);
        self::assertNull($says(['suspects' => []])->next);
        self::assertSame([null, 'soaked'], [MemoryStanding::of(null)->next, MemoryStanding::of(null, null, 'soaked')->soak]);
        $swap = static fn (string $verdict): array => ['swap' => ['entry' => self::ID, 'verdict' => $verdict, 'text' => 'So it is.']];
        self::assertSame('M: the chip that was moved to U32', $says($swap('confirmed'))->suspect);
        self::assertSame(
            ['M: chip U32', 'So it is. 9 errors', 'So it is.'],
            [$says($swap('stayed'))->suspect, $says($swap('stayed'))->why, $says($swap('stayed'))->next],
        );
    }

    private const ID = '01J0000000000000000000000A';

    /** @param array<string, mixed> $change */
    private static function tested(array $change = []): MemoryRun
    {
        $suspect = [
            'rank' => 1,
            'kind' => 'chip',
            'ref' => 'U32',
            'refs' => ['U32'],
            'bank' => '0',
            'bits' => [2],
            'address_bits' => [],
            'explains' => 1,
            'probability' => 0.5,
        ];
        $stored = [
            'source' => self::ID, 'pattern' => 'mix', 'condition' => (object) ['warmth' => 'cold', 'minutes_on' => 3], 'name' => 'M', 'errors' => 9,
            'reasons' => ['9 errors'],
            'suspects' => [(object) [...$suspect, 'text' => 'Chip U32.', 'action' => 'Swap U32.', 'against' => 'nothing', 'called' => 'chip U32']],
        ];

        return Shape::of(MemoryRun::class)->revive(
            (object) array_map(static fn (mixed $it): mixed => json_decode((string) json_encode($it)), [...$stored, ...$change]),
        );
    }

    public function test_a_kept_run_tells_itself_in_one_line(): void
    {
        $says = static fn (array $change): string => self::tested($change)->sentence('');
        self::assertSame(
            'Memory test of M, mix pattern, cold, 3 min after power-on: 2 errors. Chip U32. 50 %. Not whole: the tester closed the line.',
            $says(['errors' => 2, 'cut' => 'the tester closed the line']),
        );
        self::assertSame('Memory test of M, condition not noted: no error.', $says(['pattern' => 'none', 'errors' => 0, 'condition' => new \stdClass()]));
        self::assertStringContainsString('1 error. None of them falls on the map', $says(['errors' => 1, 'suspects' => []]));
    }

    public function test_the_curve_falls_through_the_point_where_the_soak_stands(): void
    {
        $curve = Soak::curve(51, 0, 0.95, 0.01);
        $here = array_values(array_filter($curve, static fn (array $it): bool => $it['here']));
        self::assertCount(1, $here);
        // 51 clean passes bound the rate at 5.70 % (handbook's worked figure); 299 reach 1 %.
        self::assertEqualsWithDelta(0.0570, $here[0]['upper'], 0.00005);
        self::assertGreaterThanOrEqual(299, end($curve)['passes']);
        $upper = array_column($curve, 'upper');
        $sorted = $upper;
        rsort($sorted);
        self::assertSame($sorted, $upper, 'more clean passes never raise the bound');
        self::assertLessThan(0.01, Soak::of(299, 0)->upperRate);
        self::assertGreaterThan(0.01, Soak::of(298, 0)->upperRate);
        self::assertStringContainsString('10 more clean passes (15 min): at most 4.79 %', Soak::gains(51, 0, 0.95, 90)[0]['says']);
        self::assertSame(['90 ms', '90 s', '75 min', '2.5 h', '3 days'], array_map(Soak::duration(...), [0.09, 90, 4500, 9000, 259200]));
    }
}
