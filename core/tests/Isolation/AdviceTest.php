<?php

declare(strict_types=1);

namespace Ash\Tests\Isolation;

use Ash\Isolation\IsolationRoom;
use Ash\Tests\Asks;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class AdviceTest extends TestCase
{
    use Asks;

    private const TWO = [
        'causes' => [['id' => 'a', 'weight' => 3, 'part' => 'card'], ['id' => 'b', 'weight' => 1]],
        'tests' => [
            ['id' => 'look', 'minutes' => 1, 'outcomes' => ['yes', 'no'], 'likelihood' => ['a' => ['yes' => 0.9, 'no' => 0.1]]],
            [
                'id' => 'swap', 'minutes' => 4, 'outcomes' => ['cured', 'same'], 'likelihood' => ['a' => ['cured' => 1], 'b' => ['same' => 1]],
                'needs' => ['spare', 'powered'],
            ],
        ],
        'results' => [],
    ];

    /** @return array<string, mixed> */
    private static function ask(mixed ...$more): array
    {
        return self::put(new IsolationRoom(), 'advise', [...self::TWO, ...$more]);
    }

    /** Bayes and Shannon by hand: 3 to 1 before; "yes" 0.9 under a, and 0.5 under b, of which the test says nothing. */
    public function test_posterior_and_gain_by_hand(): void
    {
        $found = self::ask();
        self::assertEqualsWithDelta([['id' => 'a', 'probability' => 0.75], ['id' => 'b', 'probability' => 0.25]], $found['causes'], 1e-12);
        self::assertEqualsWithDelta(2 - 0.75 * log(3, 2), $found['entropy_bits'], 1e-12);
        $bits = static fn (float $p): float => -$p * log($p, 2) - (1 - $p) * log(1 - $p, 2);
        $yes = 0.75 * 0.9 + 0.25 * 0.5;
        $after = $yes * $bits(0.675 / $yes) + (1 - $yes) * $bits(0.075 / (1 - $yes));
        /** @var list<array{test: string, gain_bits: float, minutes: float, bits_per_minute: float}> $next */
        $next = $found['next'];
        self::assertCount(1, $next);
        self::assertEqualsWithDelta($bits(0.75) - $after, $next[0]['gain_bits'], 1e-12);
        self::assertSame([['test' => 'swap', 'needs' => ['spare', 'powered']]], $found['blocked']);
        self::assertSame([['test' => 'swap', 'needs' => ['powered']]], self::ask(have: ['spare'])['blocked']);
        // With both needs met the swap tells nearly a bit, in four minutes.
        $ready = self::ask(have: ['powered', 'spare', 'patience']);
        self::assertSame(['swap', 'look'], array_column((array) $ready['next'], 'test'));
        $told = self::ask(results: [['test' => 'look', 'outcome' => 'no']]);
        self::assertEqualsWithDelta([['id' => 'b', 'probability' => 0.625], ['id' => 'a', 'probability' => 0.375]], $told['causes'], 1e-12);
        self::assertSame([], $told['next']);
    }

    public function test_nothing_is_impossible_and_rows_that_do_not_sum_are_named(): void
    {
        // A missing likelihood counts as a thousandth: cured under b is 0.001 / 1.001.
        $found = self::ask(have: ['powered', 'spare'], results: [['test' => 'swap', 'outcome' => 'cured']]);
        self::assertEqualsWithDelta(0.25 * 0.001 / (0.25 * 0.001 + 0.75), array_column((array) $found['causes'], 'probability', 'id')['b'], 1e-12);
        self::assertStringNotContainsString('normalised', implode(' ', (array) $found['reasons']));
        foreach ([[0.6, 0.2, true], [0.6, 0.401, false], [0.6, 0.4011, true]] as [$yes, $no, $named]) {
            $tests = [['likelihood' => ['a' => ['yes' => $yes, 'no' => $no]]] + self::TWO['tests'][0]];
            $found = self::ask(tests: $tests, results: [['test' => 'look', 'outcome' => 'yes']]);
            self::assertSame(
                $named,
                str_contains(implode(' ', (array) $found['reasons']), 'look: likelihoods that do not sum to one were normalised (a)'),
                "{$yes} {$no}",
            );
            $a = 3 * $yes / ($yes + $no);
            self::assertEqualsWithDelta($a / ($a + 0.5), array_column((array) $found['causes'], 'probability', 'id')['a'], 1e-12);
        }
    }

    /** The swap model for one bad part: in the run, or in what stays in every run, it counts; else only a mistake fails. */
    public function test_swaps_weigh_the_causes(): void
    {
        $runs = [['parts' => ['card', 'board'], 'outcome' => 'fails'], ['parts' => ['board'], 'outcome' => 'works']];
        foreach ([[[], 0.95, 0.02], [['shows' => 0.5, 'mistake' => 0.1], 0.5, 0.1]] as [$more, $g, $e]) {
            $with = $e + (1 - $e) * $g;
            $a = 3 * $with * (1 - $e);
            $b = $with * (1 - $with);
            $found = self::ask(swaps: ['runs' => $runs, ...$more]);
            self::assertEqualsWithDelta($a / ($a + $b), array_column((array) $found['causes'], 'probability', 'id')['a'], 1e-12);
        }
        // So many runs that the weights themselves would vanish.
        $many = self::ask(swaps: ['runs' => array_fill(0, 200, $runs[1]), 'shows' => 0.999, 'mistake' => 0.0001]);
        self::assertSame(1.0, (float) array_column((array) $many['causes'], 'probability', 'id')['a']);
    }

    /** @return array<string, array{string, array<string, mixed>}> */
    public static function refused(): array
    {
        $test = static fn (array $test): array => ['tests' => [$test + self::TWO['tests'][0]]];

        return [
            'no cause' => ['/causes', ['causes' => []]],
            'no weight' => ['/causes/0/weight', ['causes' => [['id' => 'a', 'weight' => 0]]]],
            'a cause twice' => ['/causes/1/id', ['causes' => [['id' => 'a', 'weight' => 1], ['id' => 'a', 'weight' => 1]]]],
            'a test twice' => ['/tests/1/id', ['tests' => [self::TWO['tests'][0], self::TWO['tests'][0]]]],
            'no minutes' => ['/tests/0/minutes', $test(['minutes' => 0])],
            'no outcome' => ['/tests/0/outcomes', $test(['outcomes' => []])],
            'nine outcomes' => ['/tests/0/outcomes', $test(['outcomes' => range('a', 'i'), 'likelihood' => new \stdClass()])],
            'an outcome twice' => ['/tests/0/outcomes/1', $test(['outcomes' => ['x', 'x'], 'likelihood' => new \stdClass()])],
            'an unknown cause' => ['/tests/0/likelihood/z', $test(['likelihood' => ['z' => ['yes' => 1]]])],
            'an unknown outcome' => ['/tests/0/likelihood/a/maybe', $test(['likelihood' => ['a' => ['maybe' => 1]]])],
            'more than certain' => ['/tests/0/likelihood/a/yes', $test(['likelihood' => ['a' => ['yes' => 1.1]]])],
            'an unknown test' => ['/results/0/test', ['results' => [['test' => 'z', 'outcome' => 'yes']]]],
            'an outcome it has not' => ['/results/0/outcome', ['results' => [['test' => 'look', 'outcome' => 'z']]]],
            'a result twice' => ['/results/1/test', ['results' => [['test' => 'look', 'outcome' => 'yes'], ['test' => 'look', 'outcome' => 'no']]]],
            'always shows' => ['/swaps/shows', ['swaps' => ['runs' => [], 'shows' => 1]]],
            'an empty run' => ['/swaps/runs/0/parts', ['swaps' => ['runs' => [['parts' => [], 'outcome' => 'fails']]]]],
            'a part twice' => ['/swaps/runs/0/parts/1', ['swaps' => ['runs' => [['parts' => ['a', 'a'], 'outcome' => 'fails']]]]],
        ];
    }

    /** @param array<string, mixed> $more */
    #[DataProvider('refused')]
    public function test_what_makes_no_sense_is_refused_at_its_field(string $pointer, array $more): void
    {
        self::assertRefusedAt($pointer, new IsolationRoom(), 'advise', [...self::TWO, ...$more]);
    }

    /** R 4.2.2: fisher.test(matrix(c(a, n1 - a, b, n2 - b), nrow = 2))$p.value. */
    private const FISHER = [
        [6, 6, 0, 8, 0.000333000333000333], [3, 10, 1, 12, 0.293233082706767], [1, 9, 11, 12, 0.00037083659374681], [40, 100, 55, 100, 0.0471654853830192],
        [0, 5, 2, 5, 0.444444444444444], [7, 17, 12, 15, 0.0359239734971224], [500, 1000, 550, 1000, 0.028203568904234], [2, 4, 2, 9, 0.53006993006993],
        [30, 1000, 10, 2000, 6.90109455634528e-08], [12, 14, 13, 14, 1.0],
    ];

    public function test_conditions_agree_with_r(): void
    {
        foreach (self::FISHER as [$a, $n, $b, $m, $p]) {
            foreach ([[$a, $n, $b, $m], [$b, $m, $a, $n], [$n - $a, $n, $m - $b, $m]] as [$x, $nx, $y, $ny]) {
                $found = self::put(
                    new IsolationRoom(),
                    'conditions',
                    ['a' => ['name' => 'cold', 'trials' => $nx, 'failures' => $x], 'b' => ['name' => 'warm', 'trials' => $ny, 'failures' => $y]],
                );
                self::assertEqualsWithDelta(1.0, $found['p_value'] / $p, 1e-9, "{$x} of {$nx}, {$y} of {$ny}");
                self::assertSame($p < 0.05, $found['clue']);
                self::assertEqualsWithDelta([$x / $nx, $y / $ny], [$found['rate_a'], $found['rate_b']], 1e-12);
            }
        }
    }

    public function test_it_says_how_many_more_would_decide(): void
    {
        $of = static fn (int $a, int $n, int $b, int $m): array => self::put(new IsolationRoom(), 'conditions', [
            'a' => ['name' => 'lid on', 'trials' => $n, 'failures' => $a], 'b' => ['name' => 'lid off', 'trials' => $m, 'failures' => $b],
        ]);
        self::assertSame('fails 6 of 6 lid on and 0 of 8 lid off: unlikely to be chance (p = 0.0003). The numbers are small', $of(6, 6, 0, 8)['text']);
        self::assertSame(0, $of(6, 6, 0, 8)['more_trials']);
        self::assertNull($of(2, 4, 4, 8)['more_trials'], 'equal rates never decide');
        self::assertNull($of(500, 1000, 501, 1000)['more_trials'], 'not within a thousand');
        // 2 of 3 against 0 of 3, p = 0.4 (R): with two more on each side 3 of 5 against 0 of 5, p = 0.167; three: 4 of 6 and 0 of 6, 0.0606; four: 5 of 7,
        // 0.0210.
        self::assertSame(4, $of(2, 3, 0, 3)['more_trials']);
        self::assertSame(
            'fails 2 of 3 lid on and 0 of 3 lid off: may be chance (p = 0.400). The numbers are small; 4 more trials on each side would '
                .'decide if the same rates went on',
            $of(2, 3, 0, 3)['text'],
        );
        self::assertSame('fails 12 of 14 lid on and 13 of 14 lid off: may be chance (p = 1.000)', $of(12, 14, 13, 14)['text']);
    }

    public function test_conditions_are_refused_at_their_field(): void
    {
        $b = ['name' => 'b', 'trials' => 4, 'failures' => 0];
        foreach ([
            '/a/failures' => ['name' => 'a', 'trials' => 3, 'failures' => 4],
            '/a/trials' => ['name' => 'a', 'trials' => 0, 'failures' => 0],
            '/a/name' => ['name' => ' ', 'trials' => 1, 'failures' => 0],
        ] as $pointer => $a) {
            self::assertRefusedAt($pointer, new IsolationRoom(), 'conditions', ['a' => $a, 'b' => $b]);
        }
        self::assertRefusedAt('/a/trials', new IsolationRoom(), 'conditions', ['a' => ['name' => 'a', 'trials' => 1_000_001, 'failures' => 0], 'b' => $b]);
        self::assertRefusedAt('/b/name', new IsolationRoom(), 'conditions', ['a' => $b, 'b' => $b]);
    }
}
