<?php

declare(strict_types=1);

namespace Ash\Isolation;

use Ash\Quantity\Notation;

/** A cause of a symptom as it stands: how likely, what speaks for it and against it, and the cheapest test that could settle it. */
final readonly class CauseSeen
{
    /** A result speaks when it is this much more, or less, likely under the cause than under the others together. A choice of ours. */
    private const SPEAKS = 1.5;

    /** From here on a cause is called settled: the measure of the advisor's bench. */
    public const SETTLED = 0.9;

    /**
     * @param array<string, string>         $for     words by test, behind a NUL
     * @param array<string, string>         $against
     * @param ?array{string, string, float} $settles test, outcome, minutes
     */
    private function __construct(public LibraryCause $cause, public float $probability, public array $for, public array $against, public ?array $settles)
    {
    }

    /**
     * @param array<string, string> $results outcome by test, behind a NUL
     *
     * @return list<self> best first
     */
    public static function all(LibrarySymptom $symptom, Advice $advice, array $results): array
    {
        $open = array_values(array_filter(array_map(static fn (array $it): ?AdviceTest => $symptom->tests["\0{$it['test']}"]->test ?? null, $advice->next)));
        usort($open, static fn (AdviceTest $a, AdviceTest $b): int => $a->minutes <=> $b->minutes);
        $seen = [];
        foreach ($advice->causes as $id => $p) {
            $for = $against = [];
            foreach ($results as $test => $outcome) {
                $it = $symptom->tests[$test] ?? null;
                $odds = $it === null ? 1.0 : self::odds($symptom, $it->test, (string) $id, $outcome);
                $words = $it === null ? '' : $it->words().': '.strtr($outcome, '_', ' ');
                $odds >= self::SPEAKS && $for[$test] = $words;
                $odds <= 1 / self::SPEAKS && $against[$test] = $words;
            }
            $seen[] = new self($symptom->causes[$id], $p, $for, $against, self::settles($open, $advice->causes, (string) $id));
        }

        return $seen;
    }

    /** What speaks for it and against it, and the cheapest test that could settle it, in a sentence. */
    public function words(): string
    {
        return implode('; ', array_filter([
            $this->cause->shows,
            $this->for === [] ? '' : 'for it: '.implode(', ', $this->for),
            $this->against === [] ? '' : 'against it: '.implode(', ', $this->against),
            $this->settles === null ? '' : "cheapest to settle it: {$this->settles[0]}, ".Notation::plain($this->settles[2], 3).' min',
        ]));
    }

    /** How much more likely the outcome is under the cause than under the others, these by their weights. */
    private static function odds(LibrarySymptom $symptom, AdviceTest $test, string $cause, string $outcome): float
    {
        $sum = $weights = 0.0;
        foreach ($symptom->weights() as $other => $weight) {
            if ($other !== $cause) {
                $sum += $weight * $test->likely($other, $outcome);
                $weights += $weight;
            }
        }

        return $weights > 0.0 && $sum > 0.0 ? $test->likely($cause, $outcome) * $weights / $sum : 1.0;
    }

    /**
     * @param list<AdviceTest>     $open   cheapest first
     * @param array<string, float> $causes
     *
     * @return ?array{string, string, float}
     */
    private static function settles(array $open, array $causes, string $cause): ?array
    {
        if ($causes[$cause] >= self::SETTLED) {
            return null;
        }
        foreach ($open as $test) {
            foreach ($test->outcomes as $outcome) {
                $all = 0.0;
                foreach ($causes as $other => $p) {
                    $all += $p * $test->likely((string) $other, $outcome);
                }
                if ($causes[$cause] * $test->likely($cause, $outcome) >= self::SETTLED * $all) {
                    return [strtr($test->id, '_', ' '), strtr($outcome, '_', ' '), $test->minutes];
                }
            }
        }

        return null;
    }
}
