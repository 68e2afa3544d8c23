<?php

declare(strict_types=1);

namespace Ash\Isolation;

use Ash\Document\Node;

/**
 * Known causes of a symptom and the tests that tell them apart: one cause at a time is assumed, the posterior is Bayes', and the next test
 * is the one with the most expected bits a minute among those that are not blocked.
 */
final readonly class Advice
{
    /** What a zero or a missing likelihood is read as, so that one wrong reading cannot kill the truth. */
    private const SMALLEST = 0.001;
    private const SUM = 0.001;
    private const SLACK = 1e-9;

    /**
     * @param array<string, float>                                                                $causes  probability by name behind a NUL, best first
     * @param list<array{test: string, gain_bits: float, minutes: float, bits_per_minute: float}> $next
     * @param list<array{test: string, needs: list<string>}>                                      $blocked
     * @param list<string>                                                                        $reasons
     */
    private function __construct(public array $causes, public float $entropyBits, public array $next, public array $blocked, public array $reasons)
    {
    }

    public static function read(Node $node): self
    {
        $node->only('causes', 'swaps', 'tests', 'results', 'have');
        $nodes = $node->at('causes')->items(Bounds::CAUSES);
        $nodes !== [] || $node->at('causes')->refuse('must list at least one cause');
        $weights = $parts = [];
        foreach ($nodes as $cause) {
            $name = "\0".$cause->only('id', 'weight', 'part')->at('id')->name();
            $weights[$name] = $cause->at('weight')->positive();
            $parts[$name] = $cause->optional('part')?->name();
        }
        Node::distinct(array_map(static fn (Node $it): Node => $it->at('id'), $nodes));
        $swaps = $node->optional('swaps');
        $reasons = [];
        if ($swaps !== null) {
            [$weights, $reasons] = self::swapped($swaps, $weights, $parts);
        }
        $listed = $node->at('tests')->items(Bounds::TESTS);
        $tests = array_map(static fn (Node $it): AdviceTest => AdviceTest::read($it, array_keys($weights)), $listed);
        Node::distinct(array_map(static fn (Node $it): Node => $it->at('id'), $listed));
        $byName = array_combine(array_map(static fn (AdviceTest $it): string => "\0{$it->id}", $tests), $tests);
        $results = [];
        foreach ($node->at('results')->items(Bounds::TESTS) as $result) {
            $test = $byName["\0{$result->only('test', 'outcome')->at('test')->string()}"]
                ?? $result->at('test')->refuse("there is no test \"{$result->at('test')->string()}\"");
            !isset($results["\0{$test->id}"]) || $result->at('test')->refuse("\"{$test->id}\" is given twice");
            in_array($result->at('outcome')->string(), $test->outcomes, true)
                || $result->at('outcome')->refuse("is not an outcome of {$test->id}: ".implode(', ', $test->outcomes));
            $results["\0{$test->id}"] = $result->at('outcome')->string();
        }
        $have = $node->optional('have')?->items() ?? [];
        Node::distinct($have);

        return self::of($weights, $tests, $results, array_map(static fn (Node $it): string => $it->name(), $have), $reasons);
    }

    /**
     * @param array<string, float>  $weights by cause, behind a NUL; above 0
     * @param list<AdviceTest>      $tests
     * @param array<string, string> $results outcome by test, behind a NUL
     * @param list<string>          $have    needs that are met
     * @param list<string>          $reasons
     */
    public static function of(array $weights, array $tests, array $results, array $have, array $reasons = []): self
    {
        $logs = array_map(log(...), $weights);
        foreach ($tests as $test) {
            $outcome = $results["\0{$test->id}"] ?? null;
            foreach ($outcome === null ? [] : array_keys($logs) as $cause) {
                $logs[$cause] += log($test->likely($cause, (string) $outcome));
            }
            $test->odd === [] || $reasons[] = "{$test->id}: likelihoods that do not sum to one were normalised (".implode(', ', $test->odd).')';
        }
        $top = max([-INF, ...array_values($logs)]);
        $sum = array_sum(array_map(static fn (float $it): float => exp($it - $top), $logs));
        $posterior = array_map(static fn (float $it): float => exp($it - $top) / $sum, $logs);
        $entropy = self::entropy($posterior);
        $next = $blocked = [];
        foreach ($tests as $test) {
            if (isset($results["\0{$test->id}"])) {
                continue;
            }
            $unmet = array_values(array_diff($test->needs, $have));
            if ($unmet !== []) {
                $blocked[] = ['test' => $test->id, 'needs' => $unmet];
                continue;
            }
            $gain = max(0.0, $entropy - $test->entropyAfter($posterior));
            $next[] = ['test' => $test->id, 'gain_bits' => $gain, 'minutes' => $test->minutes, 'bits_per_minute' => $gain / $test->minutes];
        }
        usort(
            $next,
            static fn (array $a, array $b): int => self::compare(
                $b['bits_per_minute'],
                $a['bits_per_minute'],
            ) ?: self::compare($b['gain_bits'], $a['gain_bits']),
        );
        uasort($posterior, static fn (float $a, float $b): int => self::compare($b, $a));
        $first = array_key_first($posterior);
        $reasons[] = sprintf('%s leads with %s %%', substr((string) $first, 1), self::percent($posterior[$first] ?? 0.0));
        if ($next !== [] && $next[0]['gain_bits'] > 0.0) {
            $reasons[] = sprintf(
                '%s tells most for its minutes: %s bits in %s min',
                $next[0]['test'],
                self::figure($next[0]['gain_bits']),
                self::figure($next[0]['minutes']),
            );
        }

        return new self($posterior, $entropy, $next, $blocked, $reasons);
    }

    /** @param array<array-key, float> $probabilities */
    public static function entropy(array $probabilities): float
    {
        $bits = 0.0;
        foreach ($probabilities as $p) {
            $bits -= $p > 0.0 ? $p * log($p, 2) : 0.0;
        }

        return max(0.0, $bits);
    }

    /**
     * The weights times what the runs say: a cause whose part is in a run, or that sits in what stays in every run, counts as one bad part in it.
     *
     * @param array<string, float>   $weights
     * @param array<string, ?string> $parts
     *
     * @return array{array<string, float>, list<string>}
     */
    private static function swapped(Node $swaps, array $weights, array $parts): array
    {
        $swaps->only('runs', 'shows', 'mistake');
        $shows = new Shows(
            $swaps->has('shows') ? SwapPart::open($swaps->at('shows')) : Shows::USUAL,
            $swaps->has('mistake') ? SwapPart::open($swaps->at('mistake')) : Shows::MISTAKE,
        );
        $runs = $swaps->at('runs')->items(Bounds::RUNS);
        foreach ($runs as $run) {
            $names = $run->only('parts', 'outcome')->at('parts')->items(Bounds::NAMES);
            $names !== [] || $run->at('parts')->refuse('must name at least one part');
            Node::distinct($names);
            $works = $run->at('outcome')->enum(RunOutcome::class) === RunOutcome::Works;
            $fitted = [];
            foreach ($names as $name) {
                $fitted["\0{$name->name()}"] = true;
            }
            foreach ($parts as $cause => $part) {
                $weights[$cause] *= $shows->outcome($works, $part === null || isset($fitted["\0{$part}"]) ? 1 : 0);
            }
            // Two hundred runs may make the weights too small to write down; only their ratios count.
            $most = max([0.0, ...array_values($weights)]);
            $weights = array_map(static fn (float $it): float => max(1e-300, $it / $most), $weights);
        }

        return [$weights, $runs === [] ? [] : [count($runs).' runs of swaps were counted in']];
    }

    private static function compare(float $a, float $b): int
    {
        return abs($a - $b) <= self::SLACK * max(abs($a), abs($b)) ? 0 : $a <=> $b;
    }

    private static function percent(float $share): string
    {
        return (string) round(100 * $share, $share > 0.99 ? 1 : 0);
    }

    private static function figure(float $value): string
    {
        return (string) round($value, 2);
    }

    /** @return float what a likelihood counts as */
    public static function counted(float $given): float
    {
        return $given > 0.0 ? $given : self::SMALLEST;
    }

    public static function sums(float $sum): bool
    {
        return abs($sum - 1) <= self::SUM * (1 + self::SLACK);
    }
}
