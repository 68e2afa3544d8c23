<?php

declare(strict_types=1);

namespace Ash\Setup;

/**
 * The search behind Assign: settings that stand somewhere and may move, so that no two of different owners claim the same. Exact. At every
 * step what must move moves, what cannot move stays, and what has nothing to do with each other is searched apart; when there are no moves
 * to spare, whatever clashes with nothing stays. It stops at a limit of steps, with SearchStopped.
 */
final class AssignSearch
{
    /** Claims that are looked at before the search stops. */
    private const STEPS = 6_000_000;

    private int $steps = 0;

    /** @var list<int> number of a setting's first option */
    private array $first = [];

    /** @var list<int> setting by option */
    private array $of = [];

    /** @var array<string, list<int>> options by the place they claim */
    private array $places = [];

    /** @var array<string, list<array{int, int, Claim}>> base and option of ranges, the lowest first, by resource */
    private array $ranges = [];

    /** @var array<int, list<int>> options of other owners that clash with an option, as far as they were asked for */
    private array $known = [];

    /** @var list<array<int, int>> settings that could clash with each other, as keys */
    private array $groups;

    /** @var array<int, int> group by setting */
    private array $groupOf = [];

    /**
     * @param list<Setting>       $settings those of devices, then what is reserved
     * @param array<string, true> $shared   places that may be held twice, as Claim::key() writes them
     */
    public function __construct(private readonly array $settings, array $shared)
    {
        foreach ($settings as $s => $setting) {
            $this->first[] = count($this->of);
            foreach ($setting->options as $option) {
                foreach ($option->claims as $claim) {
                    if ($claim->at === null) {
                        $this->ranges["\0{$claim->resource}"][] = [$claim->base, count($this->of), $claim];
                    } elseif (!isset($shared[$key = Claim::key($claim->resource, $claim->at)])) {
                        $this->places[$key][] = count($this->of);
                    }
                }
                $this->of[] = $s;
            }
        }
        foreach ($this->ranges as &$ranges) {
            usort($ranges, static fn (array $a, array $b): int => [$a[0], $a[1]] <=> [$b[0], $b[1]]);
        }
        unset($ranges);
        $this->groups = $this->groups();
        foreach ($this->groups as $g => $group) {
            $this->groupOf += array_fill_keys($group, $g);
        }
    }

    /** @return list<array<int, int>> */
    private function groups(): array
    {
        $group = array_keys($this->settings);
        $root = static function (int $s) use (&$group): int {
            while ($group[$s] !== $s) {
                $s = $group[$s] = $group[$group[$s]];
            }

            return $s;
        };
        $join = static function (int $one, int $other) use (&$group, $root): void {
            $group[$root($one)] = $root($other);
        };
        foreach ($this->places as $options) {
            foreach ($options as $o) {
                $join($this->of[$options[0]], $this->of[$o]);
            }
        }
        foreach ($this->ranges as $ranges) {
            $repeats = array_filter($ranges, static fn (array $it): bool => $it[2]->repeats()) !== [];
            $last = $ranges[0];
            $end = 0;
            foreach ($ranges as $it) {
                ($repeats || $it[0] < $end) && $join($this->of[$it[1]], $this->of[$last[1]]);
                $end = max($end, $it[0] + $it[2]->length);
                $last = $it;
            }
        }
        $groups = [];
        foreach ($this->settings as $s => $_) {
            $groups[$root($s)][$s] = $s;
        }

        return array_values($groups);
    }

    /** @return array<int, SettingState> as things stand, everything that is not fixed free to move */
    public function free(): array
    {
        return array_map(
            static fn (Setting $it): SettingState => $it->fixed || count($it->options) === 1 ? SettingState::kept($it->at) : SettingState::free($it->at),
            $this->settings,
        );
    }

    /**
     * @param array<int, SettingState> $state
     *
     * @return array<int, int>|null options by setting, however many have to move
     */
    public function anyWay(array $state): ?array
    {
        $all = [];
        foreach ($this->groups as $group) {
            $found = $this->solve(array_intersect_key($state, $group), PHP_INT_MAX);
            if ($found === null) {
                return null;
            }
            $all += $found;
        }

        return $all;
    }

    /** @return list<int> the fewest moves, by group; only where there is a way */
    public function fewest(): array
    {
        return array_map(function (array $group): int {
            $state = array_intersect_key($this->free(), $group);
            for ($needed = 0; $this->solve($state, $needed) === null; ++$needed) {
            }

            return $needed;
        }, $this->groups);
    }

    /** @return list<string> other options of a setting that clash with no other owner as things stand */
    public function freeOf(int $s): array
    {
        $free = [];
        $state = array_map(static fn (Setting $it): SettingState => SettingState::kept($it->at), $this->settings);
        foreach ($this->settings[$s]->fixed ? [] : $this->may($s, $state) as $o) {
            $free[] = $this->settings[$s]->options[$o]->name;
        }

        return $free;
    }

    /**
     * Sets of settings that move, the first in the document first.
     *
     * @param array<int, SettingState> $state
     * @param array<int, int>          $left  moves by group
     *
     * @return \Generator<int, array<int, SettingState>>
     */
    public function moving(array $state, int $from, array $left): \Generator
    {
        if (array_sum($left) === 0) {
            yield array_map(static fn (SettingState $it): SettingState => $it->free ? SettingState::kept($it->at) : $it, $state);

            return;
        }
        for ($s = $from; $s < count($this->settings); ++$s) {
            $group = $this->groupOf[$s];
            if (!$state[$s]->free || $left[$group] === 0) {
                continue;
            }
            $moved = [$s => SettingState::mustMove($state[$s]->at)] + $state;
            $fits = $this->fits($moved, $s, $left[$group] - 1);
            if ($fits) {
                yield from $this->moving($moved, $s + 1, [$group => $left[$group] - 1] + $left);
            }
            $state[$s] = SettingState::kept($state[$s]->at);
            // Where it cannot move there is a way in which it stays.
            if ($fits && !$this->fits($state, $s, $left[$group])) {
                return;
            }
        }
    }

    /**
     * Where those that move may go, the first option first.
     *
     * @param array<int, SettingState> $state
     *
     * @return \Generator<int, array<int, int>>
     */
    public function going(array $state): \Generator
    {
        ksort($state);
        foreach ($state as $s => $it) {
            if (!$it->open) {
                continue;
            }
            foreach ($this->may($s, $state) as $o) {
                $next = [$s => SettingState::kept($o)] + $state;
                if ($this->fits($next, $s, 0)) {
                    yield from $this->going($next);
                }
            }

            return;
        }
        yield array_map(static fn (SettingState $it): int => $it->at, $state);
    }

    /**
     * Whether the group of a setting can be solved.
     *
     * @param array<int, SettingState> $state
     */
    private function fits(array $state, int $s, int $budget): bool
    {
        return $this->solve(array_intersect_key($state, $this->groups[$this->groupOf[$s]]), $budget) !== null;
    }

    /** @return list<int> options of other owners that clash with an option */
    private function clashing(int $option): array
    {
        if (!isset($this->known[$option])) {
            $owner = $this->settings[$this->of[$option]]->owner;
            $found = [];
            foreach ($this->settings[$this->of[$option]]->options[$option - $this->first[$this->of[$option]]]->claims as $claim) {
                if ($claim->at !== null) {
                    $found += array_flip($this->places[Claim::key($claim->resource, $claim->at)] ?? []);
                    continue;
                }
                $end = $claim->repeats() ? PHP_INT_MAX : $claim->base + $claim->length;
                foreach ($this->ranges["\0{$claim->resource}"] as [$base, $other, $it]) {
                    if ($base >= $end) {
                        break;
                    }
                    $this->step(1);
                    $claim->overlap($it) === null || $found[$other] = true;
                }
            }
            $this->step(count($found));
            $this->known[$option] = array_values(array_filter(
                array_keys($found),
                fn (int $it): bool => $this->settings[$this->of[$it]]->owner !== $owner,
            ));
        }
        $this->step(1 + count($this->known[$option]));

        return $this->known[$option];
    }

    private function step(int $more): void
    {
        $this->steps += $more;
        if ($this->steps > self::STEPS) {
            throw new SearchStopped();
        }
    }

    /**
     * @param array<int, SettingState> $state
     *
     * @return array<int, list<int>> who clashes with whom of those whose place is known
     */
    private function clashes(array $state): array
    {
        $clashes = [];
        foreach ($state as $s => $it) {
            foreach ($it->open ? [] : $this->clashing($this->first[$s] + $it->at) as $q) {
                $t = $this->of[$q];
                if (isset($state[$t]) && !$state[$t]->open && $this->first[$t] + $state[$t]->at === $q) {
                    $clashes[$s][] = $t;
                }
            }
        }

        return $clashes;
    }

    /**
     * @param array<int, SettingState> $state
     *
     * @return list<int> options that a setting which has to move may go to, beside what stays
     */
    private function may(int $s, array $state): array
    {
        $may = [];
        foreach ($this->settings[$s]->options as $o => $_) {
            if ($o === $state[$s]->at) {
                continue;
            }
            foreach ($this->clashing($this->first[$s] + $o) as $q) {
                $t = $this->of[$q];
                if (isset($state[$t]) && !$state[$t]->open && !$state[$t]->free && $this->first[$t] + $state[$t]->at === $q) {
                    continue 2;
                }
            }
            $may[] = $o;
        }

        return $may;
    }

    /**
     * @param array<int, SettingState> $state  of the settings that take part
     * @param int                      $budget settings that may yet move
     *
     * @return array<int, int>|null options by setting; null: there is no way
     */
    private function solve(array $state, int $budget): ?array
    {
        $told = $this->follows($state, $budget);
        if ($told === null) {
            return null;
        }
        [$state, $budget, $clashes, $may] = $told;
        if ($may === []) {
            return array_map(static fn (SettingState $it): int => $it->at, $state);
        }
        $least = self::least($clashes);
        if ($least > $budget) {
            return null;
        }
        // As if no move could be spared: what clashes with nothing stays, and the rest falls into parts.
        $stays = array_map(static fn (SettingState $it): SettingState => $it->free ? SettingState::kept($it->at) : $it, array_diff_key($state, $may));
        $parts = $this->parts($state, $may, $clashes);
        if ($budget === $least && count($parts) === 1 && array_filter(array_diff_key($state, $may), static fn (SettingState $it): bool => $it->free) === []) {
            return $this->branch($state, $budget, $clashes, $may, $parts[0]);
        }
        $all = array_map(static fn (SettingState $it): int => $it->at, $stays);
        $failing = null;
        $failed = 0;
        foreach ($parts as $part) {
            $found = $this->solve(array_intersect_key($state, $part) + $stays, self::least(array_intersect_key($clashes, $part)));
            if ($found !== null) {
                $all += array_intersect_key($found, $part);
            } elseif (++$failed > $budget - $least) {
                return null;
            } elseif ($failing === null || count($part) < count($failing)) {
                $failing = $part;
            }
        }

        return $failing === null ? $all : $this->branch($state, $budget, $clashes, $may, $failing);
    }

    /**
     * What follows by itself: who clashes with what stays moves; who has nowhere to go stays; who has one place to go to goes there.
     *
     * @param array<int, SettingState> $state
     *
     * @return array{array<int, SettingState>, int, array<int, list<int>>, array<int, list<int>>}|null the state, the moves that are left, who
     *                                                                                                 clashes with whom, and where those that
     *                                                                                                 move or may have to may go; null: no way
     */
    private function follows(array $state, int $budget): ?array
    {
        while (true) {
            $clashes = $this->clashes($state);
            $may = [];
            $changed = false;
            foreach ($clashes as $s => $others) {
                foreach ($others as $t) {
                    if (!$state[$s]->free && !$state[$t]->free && !$state[$s]->open && !$state[$t]->open) {
                        return null;
                    }
                    if ($state[$s]->free && !$state[$t]->free && !$state[$t]->open) {
                        if (--$budget < 0) {
                            return null;
                        }
                        $state[$s] = SettingState::mustMove($state[$s]->at);
                        $changed = true;
                    }
                }
            }
            foreach ($changed ? [] : $state as $s => $it) {
                if ($it->open || isset($clashes[$s]) && $it->free) {
                    $may[$s] = $this->may($s, $state);
                    if ($may[$s] === [] && $it->open) {
                        return null;
                    }
                    if ($may[$s] === [] || $it->open && count($may[$s]) === 1) {
                        $state[$s] = SettingState::kept($may[$s][0] ?? $it->at);
                        $changed = true;
                        break;
                    }
                }
            }
            if (!$changed) {
                return [$state, $budget, $clashes, $may];
            }
        }
    }

    /**
     * At least so many have to move: of those that all clash with each other all but one.
     *
     * @param array<int, list<int>> $clashes
     */
    private static function least(array $clashes): int
    {
        $least = 0;
        $groups = [];
        foreach ($clashes as $s => $others) {
            foreach ($groups as $g => $group) {
                if (array_diff($group, $others) === []) {
                    $groups[$g][] = $s;
                    ++$least;
                    continue 2;
                }
            }
            $groups[] = [$s];
        }

        return $least;
    }

    /**
     * Those that move or may have to, in parts that have nothing to do with each other as long as all others stay.
     *
     * @param array<int, SettingState> $state
     * @param array<int, list<int>>    $may
     * @param array<int, list<int>>    $clashes
     *
     * @return list<array<int, int>> settings as keys
     */
    private function parts(array $state, array $may, array $clashes): array
    {
        $near = [];
        foreach ($may as $s => $options) {
            $near[$s] = array_flip($clashes[$s] ?? []);
            foreach ($options as $o) {
                foreach ($this->clashing($this->first[$s] + $o) as $q) {
                    $t = $this->of[$q];
                    $p = $q - $this->first[$t];
                    if (isset($may[$t]) && (in_array($p, $may[$t], true) || !$state[$t]->open && $p === $state[$t]->at)) {
                        $near[$s][$t] = true;
                        $near[$t][$s] = true;
                    }
                }
            }
        }
        $parts = $seen = [];
        foreach ($may as $s => $_) {
            if (!isset($seen[$s])) {
                $part = [];
                for ($next = [$s]; $next !== [];) {
                    $t = array_pop($next);
                    if (!isset($seen[$t])) {
                        $seen[$t] = true;
                        $part[$t] = $t;
                        array_push($next, ...array_keys($near[$t]));
                    }
                }
                $parts[] = $part;
            }
        }

        return $parts;
    }

    /**
     * @param array<int, SettingState> $state
     * @param array<int, list<int>>    $clashes
     * @param array<int, list<int>>    $may
     * @param array<int, int>          $part    where the search goes on
     *
     * @return array<int, int>|null
     */
    private function branch(array $state, int $budget, array $clashes, array $may, array $part): ?array
    {
        $choice = $most = null;
        foreach ($part as $s) {
            if ($state[$s]->open && ($choice === null || count($may[$s]) < count($may[$choice]))) {
                $choice = $s;
            }
            if ($state[$s]->free && ($most === null || count($clashes[$s]) > count($clashes[$most]))) {
                $most = $s;
            }
        }
        if ($most === null) {
            if ($choice === null) {
                return null;
            }
            foreach ($may[$choice] as $o) {
                $found = $this->solve([$choice => SettingState::kept($o)] + $state, $budget);
                if ($found !== null) {
                    return $found;
                }
            }

            return null;
        }
        $found = $budget === 0 ? null : $this->solve([$most => SettingState::mustMove($state[$most]->at)] + $state, $budget - 1);

        return $found ?? $this->solve([$most => SettingState::kept($state[$most]->at)] + $state, $budget);
    }
}
