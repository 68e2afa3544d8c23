<?php

declare(strict_types=1);

namespace Ash\Isolation;

/**
 * How likely each set of bad members is, over all sets of at most a few: prior odds times what every run says of it. A member is a part,
 * or a pair of good parts that do not go together (at most one a set), which is in a run when both its parts are.
 *
 * Runs enter by how many of them hold one, two or three members of a set, which follows from counts kept for single, two and three members;
 * a run that is only thought of by the sums over its members, so that asking what it would tell does not visit every set.
 */
final class SwapOdds
{
    /** @var list<int> run bits of each member, in words of 62 runs */
    private array $bits = [];
    private int $words;

    /** @var array{array<int, int>, array<int, int>} failing runs in each word, working ones */
    private array $of = [[], []];

    /** @var array{float, float} sum of P, sum of P log P */
    private array $total = [0.0, 0.0];

    /** @var list<array<int, float>> by set size 1: P and P log P of all sets that hold the member */
    private array $single = [[], []];

    /** @var list<array<int, float>> of all sets that hold two members, by number * members + number, the smaller first */
    private array $double = [[], []];

    /** @var list<array<int, float>> of the set of these three */
    private array $triple = [[], []];

    /** @var array<int, float> of the sets of at most two, by their key */
    private array $small = [];

    /** @var array<int, float> not yet normalised, in logarithms: sets by their key */
    private array $weights = [];

    /** Sets of three that are less likely than the likeliest set by more than this, in logarithms, weigh nothing and are not kept. */
    private const NOTHING = 45.0;

    public readonly int $members;

    /** @var list<float> prior log odds */
    private array $odds = [];

    /**
     * @param list<float>           $priors of the parts
     * @param list<array{int, int}> $pairs  by their parts
     * @param float                 $pair   prior of a pair
     * @param list<SwapRun>         $runs
     */
    public function __construct(
        private readonly int $parts,
        array $priors,
        public readonly array $pairs,
        float $pair,
        array $runs,
        private readonly Shows $shows,
        private readonly int $mostBad,
    ) {
        foreach ([...$priors, ...array_fill(0, count($pairs), $pair)] as $prior) {
            $this->odds[] = log($prior) - log1p(-$prior);
        }
        $this->members = $parts + count($pairs);
        $this->words = max(1, intdiv(count($runs) + 61, 62));
        $this->look($runs);
        $this->weigh(count($runs), count(array_filter($runs, static fn (SwapRun $it): bool => $it->works)));
        $this->sum();
    }

    /** How many sets there are: at most so many members, one pair among them at most. */
    public static function sets(int $parts, int $pairs, int $mostBad): float
    {
        $two = $parts * ($parts - 1) / 2;

        return 1 + $parts + $pairs + ($mostBad > 1 ? $two + $pairs * $parts : 0) + ($mostBad > 2 ? $two * ($parts - 2) / 3 + $pairs * $two : 0);
    }

    /** @param list<int> $set members ascending */
    public function of(array $set): float
    {
        $key = $this->key($set);

        return $this->triple[0][$key] ?? $this->small[$key] ?? 0.0;
    }

    public function bad(int $part): float
    {
        return $this->single[0][$part] ?? 0.0;
    }

    /** Bits, over all sets. */
    public function entropy(): float
    {
        return -$this->total[1] / M_LN2;
    }

    /**
     * What a run with these parts would tell.
     *
     * @param list<int> $parts ascending
     *
     * @return array{float, float} chance that it works, expected gain in bits
     */
    public function tells(array $parts): array
    {
        [$weight, $logs] = [$this->byCount($parts, 0), $this->byCount($parts, 1)];
        $after = $works = 0.0;
        foreach ([true, false] as $outcome) {
            $chance = $sum = 0.0;
            foreach ($weight as $k => $share) {
                $likely = $this->shows->outcome($outcome, $k);
                if ($likely > 0.0) {
                    $chance += $share * $likely;
                    $sum += $likely * ($logs[$k] + $share * log($likely));
                }
            }
            $outcome && $works = $chance;
            $after += $chance > 0.0 ? $chance * log($chance) - $sum : 0.0;
        }

        return [$works, (-$this->total[1] - $after) / M_LN2];
    }

    /** @param list<SwapRun> $runs */
    private function look(array $runs): void
    {
        $empty = array_fill(0, $this->words, 0);
        $this->of = [$empty, $empty];
        $of = array_fill(0, $this->parts, $empty);
        foreach ($runs as $r => $run) {
            $bit = 1 << $r % 62;
            $this->of[$run->works ? 1 : 0][intdiv($r, 62)] |= $bit;
            foreach ($run->parts as $part) {
                $of[$part][intdiv($r, 62)] |= $bit;
            }
        }
        foreach ($of as $words) {
            array_push($this->bits, ...$words);
        }
        foreach ($this->pairs as [$one, $other]) {
            for ($w = 0; $w < $this->words; ++$w) {
                $this->bits[] = $of[$one][$w] & $of[$other][$w];
            }
        }
    }

    private function weigh(int $runs, int $working): void
    {
        $said = [];
        for ($k = 0; $k <= 3; ++$k) {
            $said[$k] = [log($this->shows->outcome(false, $k)), log(max(0.0, $this->shows->outcome(true, $k)))];
        }
        $n = [$runs - $working, $working];
        $this->weights[$this->key([])] = self::said($said, $n);
        $ones = $twos = [];
        for ($i = 0; $i < $this->members; ++$i) {
            $ones[$i] = $this->count([$i]);
            $this->weights[$this->key([$i])] = $this->odds[$i] + self::said($said, [$n[0] - $ones[$i][0], $n[1] - $ones[$i][1]], $ones[$i]);
        }
        if ($this->mostBad < 2) {
            return;
        }
        for ($i = 0; $i < $this->parts; ++$i) {
            for ($j = $i + 1; $j < $this->members; ++$j) {
                $two = $twos[$i * $this->members + $j] = $this->count([$i, $j]);
                $one = [$ones[$i][0] + $ones[$j][0] - 2 * $two[0], $ones[$i][1] + $ones[$j][1] - 2 * $two[1]];
                $none = [$n[0] - $one[0] - $two[0], $n[1] - $one[1] - $two[1]];
                $this->weights[$this->key([$i, $j])] = $this->odds[$i] + $this->odds[$j] + self::said($said, $none, $one, $two);
            }
        }
        if ($this->mostBad < 3) {
            return;
        }
        $least = max([-INF, ...$this->weights]) - self::NOTHING;
        $flat = [];
        foreach ([0, 1] as $o) {
            foreach ($said as $k => $logs) {
                $flat[$o][$k] = $logs[$o];
            }
        }
        for ($i = 0; $i < $this->parts; ++$i) {
            for ($j = $i + 1; $j < $this->parts; ++$j) {
                $ij = $twos[$i * $this->members + $j];
                $odds = $this->odds[$i] + $this->odds[$j];
                for ($k = $j + 1; $k < $this->members; ++$k) {
                    $three = $this->count([$i, $j, $k]);
                    [$ik, $jk] = [$twos[$i * $this->members + $k], $twos[$j * $this->members + $k]];
                    $log = $odds + $this->odds[$k];
                    foreach ([0, 1] as $o) {
                        $two = $ij[$o] + $ik[$o] + $jk[$o] - 3 * $three[$o];
                        $one = $ones[$i][$o] + $ones[$j][$o] + $ones[$k][$o] - 2 * $two - 3 * $three[$o];
                        $none = $n[$o] - $one - $two - $three[$o];
                        $log += ($none === 0 ? 0.0 : $none * $flat[$o][0]) + ($one === 0 ? 0.0 : $one * $flat[$o][1])
                            + ($two === 0 ? 0.0 : $two * $flat[$o][2]) + ($three[$o] === 0 ? 0.0 : $three[$o] * $flat[$o][3]);
                    }
                    if ($log > $least) {
                        $this->weights[(($i * $this->members + $j) * $this->members + $k + 1) * 4 + 3] = $log;
                    }
                }
            }
        }
    }

    /**
     * @param array<int, array{float, float}> $said   logarithms of failing and working with so many members
     * @param array{int, int}                 $counts failing and working runs with 0, 1, ... members
     */
    private static function said(array $said, array ...$counts): float
    {
        $log = 0.0;
        foreach (array_values($counts) as $k => [$fails, $works]) {
            $log += ($fails === 0 ? 0.0 : $fails * $said[$k][0]) + ($works === 0 ? 0.0 : $works * $said[$k][1]);
        }

        return $log;
    }

    /** Normalises, and adds up over the sets that hold a member, two, three. */
    private function sum(): void
    {
        $top = max([-INF, ...$this->weights]);
        $all = 0.0;
        foreach ($this->weights as $log) {
            $all += exp($log - $top);
        }
        $shift = $top + log($all);
        $weights = $this->weights;
        $this->weights = [];
        foreach ($weights as $key => $log) {
            $log -= $shift;
            $p = exp($log);
            $plog = $p === 0.0 ? 0.0 : $p * $log;
            $this->total = [$this->total[0] + $p, $this->total[1] + $plog];
            $set = $this->set($key);
            foreach ([$p, $plog] as $f => $value) {
                foreach ($set as $x => $i) {
                    $this->single[$f][$i] = ($this->single[$f][$i] ?? 0.0) + $value;
                    for ($y = $x + 1; $y < count($set); ++$y) {
                        $at = $i * $this->members + $set[$y];
                        $this->double[$f][$at] = ($this->double[$f][$at] ?? 0.0) + $value;
                    }
                }
                if (count($set) === 3) {
                    $this->triple[$f][$key] = $value;
                } elseif ($f === 0) {
                    $this->small[$key] = $value;
                }
            }
        }
    }

    /**
     * Sums over the sets with 0, 1, 2 and 3 members in a run, from those over single, two and three members of it.
     *
     * @param list<int> $parts
     *
     * @return array{float, float, float, float}
     */
    private function byCount(array $parts, int $f): array
    {
        $in = array_flip($parts);
        $held = $parts;
        foreach ($this->pairs as $p => [$one, $other]) {
            isset($in[$one], $in[$other]) && $held[] = $this->parts + $p;
        }
        $singles = $doubles = $triples = 0.0;
        $n = count($held);
        $real = count($parts);
        foreach ($held as $x => $i) {
            $singles += $this->single[$f][$i] ?? 0.0;
            if ($x >= $real || $this->mostBad < 2) {
                continue;
            }
            for ($y = $x + 1; $y < $n; ++$y) {
                $doubles += $this->double[$f][$i * $this->members + $held[$y]] ?? 0.0;
                if ($y >= $real || $this->mostBad < 3) {
                    continue;
                }
                $row = ($i * $this->members + $held[$y]) * $this->members;
                for ($z = $y + 1; $z < $n; ++$z) {
                    $triples += $this->triple[$f][($row + $held[$z] + 1) * 4 + 3] ?? 0.0;
                }
            }
        }
        $two = $doubles - 3 * $triples;
        $one = $singles - 2 * $two - 3 * $triples;

        return [$this->total[$f] - $one - $two - $triples, $one, $two, $triples];
    }

    /**
     * @param list<int> $members
     *
     * @return array{int, int} failing and working runs that hold all of them
     */
    private function count(array $members): array
    {
        $fails = $works = 0;
        for ($w = 0; $w < $this->words; ++$w) {
            $all = ~0;
            foreach ($members as $it) {
                $all &= $this->bits[$it * $this->words + $w];
            }
            if ($all !== 0) {
                $fails += self::ones($all & $this->of[0][$w]);
                $works += self::ones($all & $this->of[1][$w]);
            }
        }

        return [$fails, $works];
    }

    private static function ones(int $bits): int
    {
        for ($n = 0; $bits !== 0; ++$n) {
            $bits &= $bits - 1;
        }

        return $n;
    }

    /** @param list<int> $set ascending */
    private function key(array $set): int
    {
        $key = 0;
        foreach ($set as $it) {
            $key = $key * $this->members + $it;
        }

        return ($set === [] ? 0 : $key + 1) * 4 + count($set);
    }

    /** @return list<int> */
    private function set(int $key): array
    {
        $set = [];
        $rest = ($key >> 2) - 1;
        for ($n = $key & 3; $n > 0; --$n) {
            array_unshift($set, $rest % $this->members);
            $rest = intdiv($rest, $this->members);
        }

        return $set;
    }
}
