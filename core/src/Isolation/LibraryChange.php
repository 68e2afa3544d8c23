<?php

declare(strict_types=1);

namespace Ash\Isolation;

use Ash\Document\Node;

/** A symptom as somebody wrote it, beside the one that stands: what of it does not add up, and what it would take away. */
final readonly class LibraryChange
{
    /**
     * @param array<string, float> $odd      sums of likelihoods that are not one, by pointer
     * @param list<string>         $causes   identifiers that it no longer has
     * @param list<string>         $tests    of which it no longer has one, or an outcome
     * @param \stdClass            $document with every row of likelihoods summing to one
     */
    private function __construct(
        public LibrarySymptom $symptom,
        public array $odd,
        public array $causes,
        public array $tests,
        public \stdClass $document,
    ) {
    }

    /** @throws \Ash\Document\InvalidDocument with a pointer, for what cannot be read or has nothing to make one of */
    public static function of(Node $node, ?LibrarySymptom $before): self
    {
        $after = LibrarySymptom::read($node);
        $odd = $tests = [];
        foreach ($node->at('tests')->items() as $test) {
            $rows = new \stdClass();
            foreach ($test->at('likelihood')->members() as $cause => $row) {
                $given = array_map(static fn (Node $p): float => $p->number(), $row->members());
                $sum = array_sum($given);
                $rows->{(string) $cause} = $row->object();
                if (!Advice::sums($sum)) {
                    $sum > 0.0 || $row->refuse('has nothing that could be made to sum to one');
                    $odd[$row->pointer] = $sum;
                    $rows->{(string) $cause} = (object) array_map(static fn (float $p): float => $p / $sum, $given);
                }
            }
            $tests[] = (object) [...(array) $test->object(), 'likelihood' => $rows];
        }
        $document = clone $node->object();
        $document->tests = $tests;

        return new self($after, $odd, self::gone($before->causes ?? [], $after->causes), self::lost($before->tests ?? [], $after->tests), $document);
    }

    /**
     * @param array<string, LibraryCause> $before
     * @param array<string, LibraryCause> $after
     *
     * @return list<string>
     */
    private static function gone(array $before, array $after): array
    {
        return array_values(array_map(static fn (LibraryCause $it): string => $it->id, array_diff_key($before, $after)));
    }

    /**
     * @param array<string, LibraryTest> $before
     * @param array<string, LibraryTest> $after
     *
     * @return list<string>
     */
    private static function lost(array $before, array $after): array
    {
        return array_values(array_map(static fn (LibraryTest $it): string => $it->test->id, array_filter(
            $before,
            static fn (LibraryTest $it, string $id): bool => array_diff($it->test->outcomes, $after[$id]->test->outcomes ?? []) !== [],
            ARRAY_FILTER_USE_BOTH,
        )));
    }
}
