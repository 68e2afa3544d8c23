<?php

declare(strict_types=1);

namespace Ash\Tests\Isolation;

/**
 * The handbook's model of swaps, written out over all subsets without a thought for speed: the second writing against which the core is held.
 *
 * @phpstan-type Drawn array{
 *     parts: list<array{id: string, role: string, prior: float, minutes: float}>, roles: list<array{name: string, required: bool, places: int}>,
 *     runs: list<array{parts: list<string>, outcome: string}>, mistake: float, max_faults: int, pairs: bool, shows?: float}
 */
final class PlainSwaps
{
    /** @var list<int> */
    public array $contradictions = [];
    public float $shows;

    /** @var array<string, array{list<string>, float}> members and probability by their names in order */
    private array $sets = [];

    /** @var list<string> pairs, "a+b" */
    private array $pairs = [];

    /** @var list<string> */
    private array $ids;

    /** @param Drawn $d */
    public function __construct(private readonly array $d)
    {
        $this->ids = array_column($d['parts'], 'id');
        foreach ($d['runs'] as $r => $run) {
            if ($run['outcome'] === 'fails') {
                $this->clear($this->members($run['parts'])) && $this->contradictions[] = $r + 1;
                $this->pairs = [...$this->pairs, ...array_filter($this->members($run['parts']), static fn (string $it): bool => str_contains($it, '+'))];
            }
        }
        $this->pairs = array_values(array_filter($this->all($this->ids), fn (string $it): bool => in_array($it, $this->pairs, true)));
        $this->shows = $d['shows'] ?? ($this->contradictions === [] ? 0.95 : 0.7);
        $this->grow([], [...$this->ids, ...($d['pairs'] ? $this->pairs : [])]);
        $sum = array_sum(array_column($this->sets, 1));
        foreach ($this->sets as $name => [$members, $p]) {
            $this->sets[$name] = [$members, $p / $sum];
        }
    }

    /**
     * @param list<string> $parts
     *
     * @return list<string> parts and pairs
     */
    private function all(array $parts): array
    {
        $pairs = [];
        foreach ($this->ids as $i => $a) {
            foreach (array_slice($this->ids, $i + 1) as $b) {
                in_array($a, $parts, true) && in_array($b, $parts, true) && $pairs[] = "{$a}+{$b}";
            }
        }

        return [...$parts, ...$pairs];
    }

    /**
     * @param list<string> $parts
     *
     * @return list<string>
     */
    private function members(array $parts): array
    {
        return $this->d['pairs'] ? $this->all($parts) : $parts;
    }

    /** @param list<string> $members all seen in a working run? */
    private function clear(array $members): bool
    {
        foreach ($members as $it) {
            $seen = false;
            foreach ($this->d['runs'] as $run) {
                $seen = $seen || ($run['outcome'] === 'works' && in_array($it, $this->members($run['parts']), true));
            }
            if (!$seen) {
                return false;
            }
        }

        return true;
    }

    /**
     * @param list<string> $set
     * @param list<string> $rest
     */
    private function grow(array $set, array $rest): void
    {
        $p = 1.0;
        foreach ($this->d['parts'] as $part) {
            $p *= in_array($part['id'], $set, true) ? $part['prior'] : 1 - $part['prior'];
        }
        foreach ($this->d['pairs'] ? $this->pairs : [] as $pair) {
            $p *= in_array($pair, $set, true) ? 0.002 : 0.998;
        }
        foreach ($this->d['runs'] as $run) {
            $p *= $this->likely($run['outcome'], $set, $run['parts']);
        }
        $this->sets[implode(' ', $set)] = [$set, $p];
        foreach (count($set) < $this->d['max_faults'] ? $rest : [] as $i => $next) {
            if (!str_contains($next, '+') || array_filter($set, static fn (string $it): bool => str_contains($it, '+')) === []) {
                $this->grow([...$set, $next], array_slice($rest, $i + 1));
            }
        }
    }

    /**
     * @param list<string> $set
     * @param list<string> $parts
     */
    private function likely(string $outcome, array $set, array $parts): float
    {
        $k = count(array_intersect($set, $this->all($parts)));
        $fails = $this->d['mistake'] + (1 - $this->d['mistake']) * (1 - (1 - $this->shows) ** $k);

        return $outcome === 'fails' ? $fails : 1 - $fails;
    }

    /** @param list<string> $set */
    public function probability(array $set): float
    {
        return $this->sets[implode(' ', $set)][1] ?? 0.0;
    }

    public function entropy(): float
    {
        return self::bits(array_column($this->sets, 1));
    }

    /** @param list<float> $p */
    private static function bits(array $p): float
    {
        return -array_sum(array_map(static fn (float $it): float => $it > 0 ? $it * log($it, 2) : 0.0, $p));
    }

    /** @return list<float> */
    public function bad(): array
    {
        return array_map(
            fn (string $id): float => (float) array_sum(array_map(static fn (array $it): float => in_array($id, $it[0], true) ? $it[1] : 0.0, $this->sets)),
            $this->ids,
        );
    }

    /** @return array<string, float> minimal sets with their probability, most probable first */
    public function diagnoses(): array
    {
        $failing = array_filter($this->d['runs'], static fn (array $it): bool => $it['outcome'] === 'fails');
        $counted = array_filter($failing, fn (array $it, int $r): bool => !in_array($r + 1, $this->contradictions, true), ARRAY_FILTER_USE_BOTH);
        if ($counted === [] && $failing !== []) {
            return [];
        }
        $explains = fn (array $set): bool => array_filter($counted, fn (array $it): bool => array_intersect($set, $this->all($it['parts'])) === []) === [];
        $found = [];
        foreach ($this->sets as $name => [$set, $p]) {
            $less = array_filter($set, static fn (string $it): bool => $explains(array_diff($set, [$it])));
            $cleared = array_filter($set, fn (string $it): bool => $this->clear([$it]));
            if ($explains($set) && $less === [] && $cleared === []) {
                $found[$name] = $p;
            }
        }
        arsort($found);

        return $found;
    }

    /** @return list<array{string, float, float, float}> "out>in@base", gain, chance that it works, minutes */
    public function next(): array
    {
        $runs = $this->d['runs'];
        $place = array_flip($this->ids);
        $parts = array_combine($this->ids, $this->d['parts']);
        $role = array_combine(array_column($this->d['roles'], 'name'), $this->d['roles']);
        $numbers = array_keys($runs);
        $of = static fn (string $outcome): array => array_keys(array_filter($runs, static fn (array $it): bool => $it['outcome'] === $outcome));
        $bases = array_values(array_unique([...array_slice($numbers, -1), ...array_slice($of('fails'), -1), ...array_slice($of('works'), -1)]));
        $found = $listed = [];
        $told = function (array $set, ?string $out, ?string $in, int $base, int $order) use (&$found, &$listed, $place, $parts): void {
            usort($set, static fn (string $a, string $b): int => $place[$a] <=> $place[$b]);
            if (isset($listed[implode(' ', $set)])) {
                return;
            }
            $listed[implode(' ', $set)] = true;
            $works = $after = 0.0;
            foreach (['works', 'fails'] as $outcome) {
                $joint = array_map(fn (array $it): float => $it[1] * $this->likely($outcome, $it[0], $set), array_values($this->sets));
                $chance = array_sum($joint);
                $works += $outcome === 'works' ? $chance : 0.0;
                $after += $chance > 0 ? $chance * self::bits(array_map(static fn (float $it): float => $it / $chance, $joint)) : 0.0;
            }
            $minutes = $out === null && $in === null ? 5.0 : ($out === null ? 0.0 : $parts[$out]['minutes']) + ($in === null ? 0.0 : $parts[$in]['minutes']);
            $found[] = [
                "{$out}>{$in}@".($base + 1), $this->entropy() - $after, (float) $works, $minutes,
                $out === null ? 99 : $place[$out], $in === null ? 99 : $place[$in], $order,
            ];
        };
        $first = 0;
        $last = $numbers === [] ? null : $runs[count($runs) - 1];
        if ($last !== null && $last['outcome'] === 'fails') {
            foreach (array_reverse($of('works')) as $w) {
                $more = array_values(array_diff($last['parts'], $runs[$w]['parts']));
                if ($first === 0 && count($more) === 1 && array_diff($runs[$w]['parts'], $last['parts']) === []) {
                    $told($runs[$w]['parts'], $more[0], null, count($runs) - 1, 0);
                    $first = 1;
                }
            }
        }
        foreach ($bases as $order => $base) {
            $fitted = $runs[$base]['parts'];
            $count = static fn (string $name): int => count(array_filter($fitted, static fn (string $it): bool => $parts[$it]['role'] === $name));
            $absent = array_diff($this->ids, $fitted);
            $told($fitted, null, null, $base, $order);
            foreach ($fitted as $out) {
                foreach ($absent as $in) {
                    $parts[$in]['role'] === $parts[$out]['role'] && $told([...array_diff($fitted, [$out]), $in], $out, $in, $base, $order);
                }
            }
            foreach ($absent as $in) {
                $r = $role[$parts[$in]['role']];
                if ($count($r['name']) < $r['places'] && ($runs[$base]['outcome'] === 'works' || ($r['required'] && $count($r['name']) === 0))) {
                    $told([...$fitted, $in], null, $in, $base, $order);
                }
            }
            foreach (count($fitted) > 1 ? $fitted : [] as $out) {
                $r = $role[$parts[$out]['role']];
                (!$r['required'] || $count($r['name']) > 1) && $told(array_values(array_diff($fitted, [$out])), $out, null, $base, $order);
            }
        }
        $lead = array_splice($found, 0, $first);
        $found = array_values(array_filter($found, static fn (array $it): bool => $it[1] >= 1e-6));
        $near = static fn (float $a, float $b): int => abs($a - $b) <= 1e-9 * max(abs($a), abs($b)) ? 0 : $a <=> $b;
        usort(
            $found,
            static fn (array $a, array $b): int => $near($b[1] / $b[3], $a[1] / $a[3]) ?: $near($b[1], $a[1]) ?: [$a[4], $a[5], $a[6]] <=> [$b[4],
                $b[5], $b[6]],
        );

        return array_map(static fn (array $it): array => array_slice($it, 0, 4), array_slice([...$lead, ...$found], 0, 5));
    }
}
