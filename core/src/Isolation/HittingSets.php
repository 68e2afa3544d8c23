<?php

declare(strict_types=1);

namespace Ash\Isolation;

/**
 * Minimal hitting sets: sets that have a member in every conflict, and of which no part has that too. (R. Reiter, "A theory of diagnosis
 * from first principles", Artificial Intelligence 32, 1987.) Found by keeping, for every member, a conflict that it alone hits; each set
 * is met once. (K. Murakami, T. Uno, "Efficient algorithms for dualizing large-scale hypergraphs", Discrete Applied Mathematics 170, 2014.).
 */
final class HittingSets
{
    /** Sets that are looked at before the search stops. */
    private const STEPS = 200_000;

    /** @var list<list<int>> members ascending */
    private array $found = [];
    private int $steps = 0;
    public bool $proved = true;

    /** @var array<int, string> by element: a bit for each conflict that holds it */
    private array $hits = [];
    private string $none;

    /**
     * @param list<list<int>>  $conflicts elements by number
     * @param array<int, true> $once      elements of which a set holds at most one
     */
    private function __construct(private array $conflicts, private readonly int $atMost, private readonly array $once)
    {
        $this->none = str_repeat("\0", intdiv(count($conflicts), 8) + 1);
        foreach ($conflicts as $c => $members) {
            foreach ($members as $element) {
                $bits = $this->hits[$element] ?? $this->none;
                $bits[$c >> 3] = chr(ord($bits[$c >> 3]) | 1 << ($c & 7));
                $this->hits[$element] = $bits;
            }
        }
    }

    /**
     * @param list<list<int>> $conflicts elements by number
     * @param int             $atMost    members
     * @param list<int>       $once      elements of which a set holds at most one
     *
     * @return array{list<list<int>>, bool} fewest members first, then by number compared one by one; false: the search stopped at its limit
     */
    public static function of(array $conflicts, int $atMost, array $once = []): array
    {
        if (in_array([], $conflicts, true)) {
            return [[], true];
        }
        $it = new self(self::least($conflicts), $atMost, array_fill_keys($once, true));
        $all = $it->none;
        foreach (array_keys($it->conflicts) as $c) {
            $all[$c >> 3] = chr(ord($all[$c >> 3]) | 1 << ($c & 7));
        }
        $it->search([], [], $all, array_fill_keys(array_keys($it->hits), true));
        usort($it->found, static fn (array $a, array $b): int => count($a) <=> count($b) ?: $a <=> $b);

        return [$it->found, $it->proved];
    }

    /**
     * Who hits a conflict hits those that hold it.
     *
     * @param list<list<int>> $conflicts
     *
     * @return list<list<int>>
     */
    private static function least(array $conflicts): array
    {
        usort($conflicts, static fn (array $a, array $b): int => count($a) <=> count($b));
        $least = [];
        foreach ($conflicts as $one) {
            $held = array_flip($one);
            foreach ($least as $smaller) {
                if (count(array_intersect_key(array_flip($smaller), $held)) === count($smaller)) {
                    continue 2;
                }
            }
            $least[] = $one;
        }

        return $least;
    }

    /**
     * @param list<int>          $set
     * @param array<int, string> $only by member: conflicts that it alone hits
     * @param string             $open conflicts that nobody hits yet
     * @param array<int, true>   $may  elements that may still come in
     */
    private function search(array $set, array $only, string $open, array $may): void
    {
        if (++$this->steps > self::STEPS) {
            $this->proved = false;

            return;
        }
        if ($open === $this->none) {
            sort($set);
            $this->found[] = $set;

            return;
        }
        if (count($set) === $this->atMost) {
            return;
        }
        $choice = null;
        foreach ($this->conflicts as $c => $members) {
            if ((ord($open[$c >> 3]) >> ($c & 7) & 1) === 1) {
                $left = array_filter($members, static fn (int $it): bool => isset($may[$it]));
                $choice = $choice === null || count($left) < count($choice) ? $left : $choice;
                if (count($choice) < 2) {
                    break;
                }
            }
        }
        foreach ($choice ?? [] as $element) {
            unset($may[$element]);
        }
        foreach ($choice ?? [] as $element) {
            $with = $this->with($only, $element, $open);
            $fits = $with !== null && (!isset($this->once[$element]) || array_intersect_key($this->once, array_flip($set)) === []);
            $fits && $this->search([...$set, $element], $with, $open & ~$this->hits[$element], $may);
            $may[$element] = true;
        }
    }

    /**
     * @param array<int, string> $only
     *
     * @return array<int, string>|null with one more member; null when another one would no longer be needed
     */
    private function with(array $only, int $element, string $open): ?array
    {
        $hits = $this->hits[$element];
        foreach ($only as $member => $conflicts) {
            $left = $conflicts & ~$hits;
            if ($left === $this->none) {
                return null;
            }
            $only[$member] = $left;
        }
        $only[$element] = $open & $hits;

        return $only;
    }
}
