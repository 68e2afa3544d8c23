<?php

declare(strict_types=1);

namespace Ash\Tests\Setup;

use Ash\Setup\SetupRoom;
use Ash\Tests\Asks;
use PHPUnit\Framework\TestCase;

/** Machines as large as they come, against a solver that is not ours: z3 of Debian, where it is installed. */
final class AssignSolverTest extends TestCase
{
    use Asks;

    /**
     * @param array<string, int> $places how many of each resource; of one resource all three settings of a device take
     *
     * @return array<string, mixed> 24 devices of 3 settings of 8 ways, set so that nothing clashes, then 12 of them moved onto others
     */
    private static function bench(array $places): array
    {
        $free = array_map(static fn (int $it): array => range(0, $it - 1), $places);
        foreach ($free as &$all) {
            shuffle($all);
        }
        unset($all);
        $devices = [];
        foreach (range(0, 23) as $d) {
            foreach (range(0, 2) as $s) {
                $resource = array_keys($places)[$s % count($places)];
                $ways = [(int) array_pop($free[$resource]), ...array_map(static fn (): int => mt_rand(0, $places[$resource] - 1), range(1, 20))];
                $ways = array_slice(array_values(array_unique($ways)), 0, 8);
                $devices[$d]['name'] = "d{$d}";
                $devices[$d]['settings'][$s] = ['name' => "{$s}", 'at' => "{$ways[0]}", 'options' => array_map(static fn (int $it): array => [
                    'name' => "{$it}",
                    'claims' => [$resource === 'io' ? ['resource' => 'io', 'base' => $it * 8, 'length' => 8] : ['resource' => $resource, 'at' => $it]],
                ], $ways)];
            }
        }
        for ($clashes = 0; $clashes < 12;) {
            $setting = &$devices[mt_rand(0, 23)]['settings'][$s = mt_rand(0, 2)];
            $others = array_column(array_merge(...array_map(
                static fn (array $it): array => count($places) === 1 ? $it['settings'] : [$it['settings'][$s]], $devices,
            )), 'at');
            $way = $setting['options'][mt_rand(1, count($setting['options']) - 1)]['name'];
            if (in_array($way, $others, true) && $setting['at'] === $setting['options'][0]['name']) {
                $setting['at'] = $way;
                ++$clashes;
            }
            unset($setting);
        }

        return ['devices' => $devices];
    }

    /** @param array<string, mixed> $bench */
    private static function solver(array $bench): ?int
    {
        $script = $by = $moved = [];
        foreach ($bench['devices'] as $d => $device) {
            foreach ($device['settings'] as $s => $setting) {
                $ways = [];
                foreach ($setting['options'] as $o => $option) {
                    $ways[] = $name = "v{$d}_{$s}_{$o}";
                    $script[] = "(declare-const {$name} Bool)";
                    $by[json_encode($option['claims'], JSON_THROW_ON_ERROR)][$d][] = $name;
                    $option['name'] === $setting['at'] || $moved[] = "(ite {$name} 1 0)";
                }
                $script[] = '(assert (or '.implode(' ', $ways).'))';
                foreach ($ways as $i => $one) {
                    foreach (array_slice($ways, $i + 1) as $other) {
                        $script[] = "(assert (not (and {$one} {$other})))";
                    }
                }
            }
        }
        foreach ($by as $devices) {
            foreach ($devices as $d => $names) {
                foreach (array_merge(...array_filter($devices, static fn (int $it): bool => $it > $d, ARRAY_FILTER_USE_KEY)) as $other) {
                    foreach ($names as $one) {
                        $script[] = "(assert (not (and {$one} {$other})))";
                    }
                }
            }
        }
        $script = [...$script, '(minimize (+ '.implode(' ', $moved).'))', '(check-sat)', '(get-objectives)'];
        $process = proc_open(['z3', '-in', '-T:60'], [['pipe', 'r'], ['pipe', 'w'], ['pipe', 'w']], $pipes);
        self::assertIsResource($process);
        fwrite($pipes[0], implode("\n", $script));
        fclose($pipes[0]);
        $said = (string) stream_get_contents($pipes[1]);
        proc_close($process);

        return preg_match('/^sat\s.*\s(\d+)\)\s*\)\s*$/s', $said, $m) === 1 ? (int) $m[1] : null;
    }

    public function test_the_fewest_moves_of_large_machines_are_those_an_independent_solver_finds(): void
    {
        exec('command -v z3', result_code: $missing);
        if ($missing !== 0) {
            self::markTestSkipped('z3 is not installed: apt-get install z3, to hold the search against it');
        }
        mt_srand(1204);
        foreach (range(1, 6) as $round) {
            $bench = self::bench($round < 4 ? ['irq' => 90] : ['irq' => 40, 'io' => 60, 'dma' => 32]);
            $found = self::put(new SetupRoom(), 'assign', $bench);
            self::assertTrue($found['proved']);
            self::assertGreaterThanOrEqual(10, count((array) $found['conflicts']));
            self::assertSame(self::solver($bench), $found['changes_needed'], "bench {$round}");
        }
    }
}
