<?php

declare(strict_types=1);

/*
 * The advisor is measured, not believed: simulated jobs of every symptom of the library (seeded), a cause by its weight, outcomes by its
 * likelihoods, one outcome in twenty another one. Minutes and tests to 90 % certainty by the advisor's order, the order of the list, the
 * cheapest first and a random one; and how often the cause that was named was the true one.
 *
 *   php tests/Bench/advisor.php [jobs a symptom]
 */

require_once __DIR__.'/../../vendor/autoload.php';

use Ash\Document\Node;
use Ash\Isolation\LibrarySymptom;
use Ash\Isolation\SymptomLibrary;

$jobs = (int) ($argv[1] ?? 50) ?: 50;
$library = SymptomLibrary::read(Node::parse((string) file_get_contents(__DIR__.'/../../database/library/symptoms.json')));
mt_srand(20261127);
$chance = static fn (): float => mt_rand() / mt_getrandmax();
$draw = static function (array $weights) use ($chance): string {
    $at = $chance() * array_sum($weights);
    foreach ($weights as $name => $weight) {
        if (($at -= $weight) <= 0) {
            return (string) $name;
        }
    }

    return (string) array_key_last($weights);
};
$needs = static fn (LibrarySymptom $it): array => array_values(array_unique(array_merge(...array_map(static fn ($test): array => $test->needs, $it->asked()))));
$sums = [];
foreach ($library->symptoms as $symptom) {
    $have = $needs($symptom);
    $tests = $symptom->asked();
    for ($n = 0; $n < $jobs; ++$n) {
        $cause = $draw($symptom->weights());
        $outcomes = [];
        foreach ($tests as $test) {
            $row = array_combine($test->outcomes, array_map(static fn (string $it): float => $test->likely($cause, $it), $test->outcomes));
            $outcomes[$test->id] = $chance() < 0.05 ? $test->outcomes[mt_rand(0, count($test->outcomes) - 1)] : $draw($row);
        }
        $cheapest = $random = $tests;
        usort($cheapest, static fn ($a, $b): int => $a->minutes <=> $b->minutes);
        shuffle($random);
        foreach (['advisor' => null, 'listed' => $tests, 'cheapest' => $cheapest, 'random' => $random] as $order => $list) {
            $results = [];
            $minutes = 0.0;
            for ($step = 0; $step < count($tests); ++$step) {
                $advice = $symptom->advice($results, $have);
                if (max($advice->causes) >= 0.9) {
                    break;
                }
                $id = $list === null ? $advice->next[0]['test'] : $list[$step]->id;
                $results["\0{$id}"] = $outcomes[$id];
                $minutes += $symptom->tests["\0{$id}"]->test->minutes;
            }
            $advice = $symptom->advice($results, $have);
            $certain = max($advice->causes) >= 0.9;
            $sums[$order] ??= ['minutes' => 0.0, 'tests' => 0, 'certain' => 0, 'true' => 0, 'n' => 0];
            $sums[$order]['minutes'] += $minutes;
            $sums[$order]['tests'] += count($results);
            $sums[$order]['certain'] += $certain ? 1 : 0;
            $sums[$order]['true'] += $certain && array_key_first($advice->causes) === $cause ? 1 : 0;
            ++$sums[$order]['n'];
        }
    }
}
foreach ($sums as $order => $it) {
    printf(
        "%-62s %5.1f min, %4.1f tests, 90 %% reached in %2.0f %%, true then in %2.0f %%   n %d%s\n",
        "advice over the library, {$order}", $it['minutes'] / $it['n'], $it['tests'] / $it['n'], 100 * $it['certain'] / $it['n'],
        100 * $it['true'] / max(1, $it['certain']), $it['n'],
        $order === 'listed' ? sprintf('   advisor takes %.0f %% fewer minutes, wanted: 33', 100 * (1 - $sums['advisor']['minutes'] / $it['minutes'])) : '',
    );
}
