<?php

declare(strict_types=1);

namespace Ash\Tests\Setup;

/** Claims, clashes and ways out, written out over every way of setting everything. */
final readonly class PlainAssign
{
    /**
     * @var list<array{string, ?string, list<list<array<string, mixed>>>, list<string>, int, bool}> owner, setting, claims by option, names, where it stands,
     *                                                                                              fixed
     */
    private array $settings;

    /** @param array<string, mixed> $d */
    public function __construct(private array $d)
    {
        $settings = [];
        foreach ($d['devices'] as $device) {
            foreach ($device['settings'] as $it) {
                $names = array_column($it['options'], 'name');
                $settings[] = [
                    $device['name'], $it['name'], array_column($it['options'], 'claims'), $names, (int) array_search($it['at'], $names, true),
                    $it['fixed'] ?? false,
                ];
            }
        }
        foreach ($d['reserved'] as $it) {
            $settings[] = [$it['by'], null, [$it['claims']], [''], 0, true];
        }
        $this->settings = $settings;
    }

    /**
     * @param array<string, mixed> $a
     * @param array<string, mixed> $b
     *
     * @return array{?int, ?int}|null
     */
    private function clash(array $a, array $b): ?array
    {
        if ($a['resource'] !== $b['resource']) {
            return null;
        }
        if (isset($a['at'])) {
            $shared = array_filter($this->d['shared'] ?? [], static fn (array $it): bool => $it['resource'] === $a['resource'] && $it['at'] === $a['at']);

            return $a['at'] === $b['at'] && $shared === [] ? [null, null] : null;
        }
        $starts = static function (array $it): array {
            $starts = [$it['base']];
            for ($at = $it['base'] + ($it['repeats_every'] ?? 65536); $at < 65536; $at += $it['repeats_every'] ?? 65536) {
                $starts[] = $at;
            }

            return $starts;
        };
        $found = null;
        foreach ($starts($a) as $x) {
            foreach ($starts($b) as $y) {
                $low = max($x, $y);
                $high = min($x + $a['length'], $y + $b['length']);
                if ($low < $high && ($found === null || $low < $found[0])) {
                    $found = [$low, $high - $low];
                }
                if ($y >= $x + $a['length']) {
                    break;
                }
            }
            if ($found !== null) {
                return $found;
            }
        }

        return null;
    }

    private function clashes(int $s, int $o, int $t, int $p): bool
    {
        if ($this->settings[$s][0] === $this->settings[$t][0]) {
            return false;
        }
        foreach ($this->settings[$s][2][$o] as $a) {
            foreach ($this->settings[$t][2][$p] as $b) {
                if ($this->clash($a, $b) !== null) {
                    return true;
                }
            }
        }

        return false;
    }

    /** @return list<array<string, mixed>> */
    public function conflicts(): array
    {
        $free = function (int $s): array {
            [, , $options, $names, $at, $fixed] = $this->settings[$s];
            $ok = array_filter(array_keys($options), function (int $o) use ($s, $at): bool {
                foreach ($this->settings as $t => $other) {
                    if ($this->clashes($s, $o, $t, $other[4])) {
                        return false;
                    }
                }

                return $o !== $at;
            });

            return $fixed ? [] : array_values(array_map(static fn (int $o): string => $names[$o], $ok));
        };
        $found = [];
        foreach ($this->settings as $s => $one) {
            foreach ($one[2][$one[4]] as $a) {
                foreach ($this->settings as $t => $other) {
                    foreach ($t > $s && $other[0] !== $one[0] ? $other[2][$other[4]] : [] as $b) {
                        $overlap = $this->clash($a, $b);
                        $overlap === null || $found[] = [
                            'resource' => $a['resource'], 'at' => $a['at'] ?? null, 'base' => $overlap[0], 'length' => $overlap[1],
                            'owners' => [$one[0], $other[0]], 'settings' => [$one[1], $other[1]], 'free' => [$free($s), $free($t)],
                        ];
                    }
                }
            }
        }

        return $found;
    }

    /**
     * @param list<string> $without owners
     *
     * @return \Generator<int, array<int, int>>
     */
    private function every(array $without = []): \Generator
    {
        $settings = array_filter($this->settings, static fn (array $it): bool => !in_array($it[0], $without, true));
        $grow = function (array $chosen, array $rest) use (&$grow): \Generator {
            if ($rest === []) {
                yield $chosen;

                return;
            }
            $s = array_key_first($rest);
            $it = $rest[$s];
            unset($rest[$s]);
            foreach ($it[5] ? [$it[4]] : array_keys($it[2]) as $o) {
                foreach ($chosen as $t => $p) {
                    if ($this->clashes($s, $o, $t, $p)) {
                        continue 2;
                    }
                }
                yield from $grow($chosen + [$s => $o], $rest);
            }
        };
        yield from $grow([], $settings);
    }

    /** @return array{bool, ?int, list<array{changes: list<array<string, string>>}>} */
    public function ways(): array
    {
        $plans = [];
        foreach ($this->every() as $way) {
            ksort($way);
            $moved = array_filter($way, fn (int $o, int $s): bool => $o !== $this->settings[$s][4], ARRAY_FILTER_USE_BOTH);
            $plans[count($moved)][] = $moved;
        }
        if ($plans === []) {
            return [false, null, []];
        }
        $needed = min(array_keys($plans));
        $best = $plans[$needed];
        usort($best, static fn (array $a, array $b): int => array_keys($a) <=> array_keys($b) ?: array_values($a) <=> array_values($b));

        return [true, $needed, $needed === 0 ? [] : array_map(fn (array $plan): array => ['changes' => array_map(fn (int $s, int $o): array => [
            'device' => $this->settings[$s][0], 'setting' => (string) $this->settings[$s][1],
            'from' => $this->settings[$s][3][$this->settings[$s][4]], 'to' => $this->settings[$s][3][$o],
        ], array_keys($plan), $plan)], array_slice($best, 0, 10))];
    }

    /** @return list<string> */
    public function core(): array
    {
        $devices = array_column($this->d['devices'], 'name');
        if ($this->every()->valid() || !$this->every($devices)->valid()) {
            return [];
        }
        $out = [];
        foreach ($devices as $device) {
            $this->every([...$out, $device])->valid() || $out[] = $device;
        }

        return array_values(array_diff($devices, $out));
    }
}
