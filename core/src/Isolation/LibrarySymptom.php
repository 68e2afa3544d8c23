<?php

declare(strict_types=1);

namespace Ash\Isolation;

use Ash\Document\Node;
use Ash\Facts\Answered;

/** A symptom, what is known to cause it, and what tells the causes apart. */
final readonly class LibrarySymptom
{
    /**
     * @param string                      $first  what to look at first
     * @param array<string, LibraryCause> $causes by id, behind a NUL
     * @param array<string, LibraryTest>  $tests  by id, behind a NUL
     */
    private function __construct(public string $id, public string $name, public string $first, public array $causes, public array $tests)
    {
    }

    public static function read(Node $node): self
    {
        $node->only('id', 'name', 'first', 'causes', 'tests');
        $listed = $node->at('causes')->items(Bounds::CAUSES);
        $listed !== [] || $node->at('causes')->refuse('must list at least one cause');
        $causes = $tests = [];
        foreach ($listed as $it) {
            $cause = LibraryCause::read($it);
            $causes["\0{$cause->id}"] = $cause;
        }
        Node::distinct(array_map(static fn (Node $it): Node => $it->at('id'), $listed));
        $asked = $node->at('tests')->items(Bounds::TESTS);
        foreach ($asked as $it) {
            $test = LibraryTest::read($it, array_keys($causes));
            $tests["\0{$test->test->id}"] = $test;
        }
        Node::distinct(array_map(static fn (Node $it): Node => $it->at('id'), $asked));

        return new self($node->at('id')->name(), $node->at('name')->text(120), $node->at('first')->text(400), $causes, $tests);
    }

    /** With what this shop's closed jobs turned out to be beside the library's weights. */
    public function learned(ShopHistory $history): self
    {
        return new self($this->id, $this->name, $this->first, array_map(
            static fn (LibraryCause $it): LibraryCause => $it->and($history->counts["\0{$it->id}"] ?? 0),
            $this->causes,
        ), $this->tests);
    }

    /** @return list<AdviceTest> */
    public function asked(): array
    {
        return array_values(array_map(static fn (LibraryTest $it): AdviceTest => $it->test, $this->tests));
    }

    /**
     * @param list<Answered> $answers
     *
     * @return array<string, array{string, Answered}> outcome and who found it, by test, behind a NUL
     */
    public function answered(array $answers): array
    {
        return array_filter(array_map(static fn (LibraryTest $it): ?array => $it->answered($answers), $this->tests));
    }

    /** @return array<string, float> prior weights by cause, behind a NUL */
    public function weights(): array
    {
        return array_map(static fn (LibraryCause $it): float => $it->weight, $this->causes);
    }

    /**
     * @param array<string, string> $results   outcome by test, behind a NUL; of tests that are no longer in the library none counts
     * @param list<string>          $have      needs that are met
     * @param list<SwapTried>       $runs      of swaps
     * @param list<SwapTried>       $elsewhere
     */
    public function advice(array $results, array $have, array $runs = [], array $elsewhere = []): Advice
    {
        $known = array_filter(
            $results,
            fn (string $outcome, string $test): bool => in_array($outcome, $this->tests[$test]->test->outcomes ?? [], true),
            ARRAY_FILTER_USE_BOTH,
        );

        $said = $runs === []
            ? []
            : [count($runs).' runs of swaps were counted in'.($elsewhere === [] ? '' : ', and '.count($elsewhere).' with the same parts on other jobs')];

        return Advice::of($this->swapped($runs, $elsewhere), $this->asked(), $known, $have, $said);
    }

    /**
     * Only how likely each cause is.
     *
     * @param array<string, string> $results outcome by test, behind a NUL
     * @param list<SwapTried>       $runs
     *
     * @return array<string, float> by cause, behind a NUL
     */
    public function posterior(array $results, array $runs): array
    {
        $weights = $this->swapped($runs);
        foreach ($results as $test => $outcome) {
            $it = $this->tests[$test]->test ?? null;
            if ($it === null || !in_array($outcome, $it->outcomes, true)) {
                continue;
            }
            foreach (array_keys($weights) as $cause) {
                $weights[$cause] *= $it->likely($cause, $outcome);
            }
        }
        $sum = array_sum($weights);

        return array_map(static fn (float $w): float => $w / $sum, $weights);
    }

    /**
     * The weights times what the runs say of each cause's part. The job's own part of a role is the one that was fitted first; a cause whose
     * part was never swapped sits in what stays in every run.
     *
     * Of other jobs only what worked counts: what fails there has its own suspects.
     *
     * @param list<SwapTried> $runs
     * @param list<SwapTried> $elsewhere
     *
     * @return array<string, float>
     */
    private function swapped(array $runs, array $elsewhere = []): array
    {
        $own = [];
        foreach ($runs as $run) {
            foreach ($run->parts as $it) {
                $own["\0{$it->role}"] ??= $it->id;
            }
        }
        $sometimes = array_filter($runs, static fn (SwapTried $it): bool => $it->outcome === SwapOutcome::Sometimes) !== [];
        $shows = new Shows($sometimes ? Shows::NOW_AND_THEN : Shows::USUAL, Shows::MISTAKE);
        $weights = $this->weights();
        foreach ($runs as $run) {
            $in = array_flip(array_map(static fn (SwapFitted $it): string => $it->id, $run->parts));
            foreach ($this->causes as $id => $cause) {
                $part = $cause->part === null ? null : $own["\0{$cause->part}"] ?? null;
                $weights[$id] *= $shows->outcome($run->outcome === SwapOutcome::Works, $part === null || isset($in[$part]) ? 1 : 0);
            }
            $most = max([0.0, ...array_values($weights)]);
            $weights = array_map(static fn (float $it): float => max(1e-300, $it / $most), $weights);
        }

        foreach ($elsewhere as $run) {
            $in = array_flip(array_map(static fn (SwapFitted $it): string => $it->id, $run->parts));
            foreach ($run->outcome === SwapOutcome::Works ? $this->causes : [] as $id => $cause) {
                $part = $cause->part === null ? null : $own["\0{$cause->part}"] ?? null;
                $weights[$id] *= $shows->outcome(true, $part !== null && isset($in[$part]) ? 1 : 0);
            }
        }

        return $weights;
    }
}
