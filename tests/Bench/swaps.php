<?php

declare(strict_types=1);

/*
 * The swaps are measured, not believed: simulated machines of 6 to 12 parts (seeded) with one or two bad ones and a spare for each, one spare
 * in fifteen bad too; a bad part shows in 19 runs of 20. Runs until one set of its own parts stands at 90 %, by the run that is advised and by
 * swapping in the order of the list, and how often the set that was named was the true one.
 *
 *   php tests/Bench/swaps.php [machines]
 */

require_once __DIR__.'/../../vendor/autoload.php';

use Ash\Isolation\SwapPart;
use Ash\Isolation\SwapRole;
use Ash\Isolation\SwapRun;
use Ash\Isolation\Swaps;

const MOST_RUNS = 30;
$machines = (int) ($argv[1] ?? 120) ?: 120;
mt_srand(20261128);
$chance = static fn (): float => mt_rand() / mt_getrandmax();
$sums = [];
for ($n = 0; $n < $machines; ++$n) {
    $roles = mt_rand(6, 12);
    $bad = $parts = $places = [];
    for ($i = 0; $i < $roles; ++$i) {
        $parts[] = SwapPart::of("own {$i}", "role {$i}", false);
        $places[] = new SwapRole("role {$i}");
    }
    for ($i = 0; $i < $roles; ++$i) {
        $parts[] = SwapPart::of("spare {$i}", "role {$i}", false);
        $chance() < 1 / 15 && $bad[$roles + $i] = true;
    }
    foreach ((array) array_rand(range(0, $roles - 1), mt_rand(1, 2)) as $i) {
        $bad[$i] = true;
    }
    $own = array_values(array_filter(array_keys($bad), static fn (int $i): bool => $i < $roles));
    sort($own);
    $try = static function (array $fitted) use ($bad, $chance): SwapRun {
        sort($fitted);
        $shows = array_filter($fitted, static fn (int $i): bool => isset($bad[$i]) && $chance() < 0.95);

        return new SwapRun($fitted, $shows === []);
    };
    $first = $try(range(0, $roles - 1));
    if ($first->works) {
        continue;
    }
    // In the order of the list each part is swapped and put back; then two at a time stay swapped.
    $listed = [];
    for ($i = 0; $i < $roles; ++$i) {
        $listed[] = array_replace(range(0, $roles - 1), [$i => $roles + $i]);
    }
    for ($i = 1; $i < $roles; ++$i) {
        $listed[] = [...range($roles, $roles + $i), ...range($i + 1, $roles)];
    }
    $listed = array_map(static fn (array $set): array => array_values(array_filter($set, static fn (int $i): bool => $i < 2 * $roles)), $listed);
    $index = array_flip(array_map(static fn (SwapPart $it): string => $it->id, $parts));
    foreach (['advised', 'listed'] as $order) {
        $runs = [$first];
        $named = null;
        while (true) {
            $found = (new Swaps($parts, $places, $runs))->found();
            // Which of the machine's own parts are bad, all of them together, whatever is bad of the spares.
            $stands = [];
            foreach ($found->diagnoses as $it) {
                $of = array_values(array_filter(array_map(static fn (string $id): int => $index[$id], $it->parts), static fn (int $i): bool => $i < $roles));
                sort($of);
                $stands[implode(' ', $of)] = ($stands[implode(' ', $of)] ?? 0.0) + $it->probability;
            }
            arsort($stands);
            if ($stands !== [] && max($stands) >= 0.9) {
                $named = (string) array_key_first($stands);
                break;
            }
            if (count($runs) > MOST_RUNS || $order === 'listed' && !isset($listed[count($runs) - 1]) || $order === 'advised' && $found->next === []) {
                break;
            }
            $set = $order === 'listed' ? $listed[count($runs) - 1] : array_map(static fn (string $id): int => $index[$id], $found->next[0]->parts);
            $runs[] = $try($set);
        }
        $sums[$order] ??= ['runs' => 0, 'named' => 0, 'true' => 0, 'n' => 0];
        $sums[$order]['runs'] += count($runs);
        $sums[$order]['named'] += $named !== null ? 1 : 0;
        $sums[$order]['true'] += $named === implode(' ', $own) ? 1 : 0;
        ++$sums[$order]['n'];
    }
}
foreach ($sums as $order => $it) {
    printf(
        "%-62s %5.1f runs, named in %2.0f %%, true then in %2.0f %%   n %d\n",
        "swaps, {$order}", $it['runs'] / $it['n'], 100 * $it['named'] / $it['n'], 100 * $it['true'] / max(1, $it['named']), $it['n'],
    );
}
