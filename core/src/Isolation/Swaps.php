<?php

declare(strict_types=1);

namespace Ash\Isolation;

use Ash\Document\Node;

/**
 * Which part it is, by what was fitted together and worked or failed: the minimal diagnoses (Reiter 1987; de Kleer and Williams 1987), how
 * likely each part is to be bad, and the single change that tells most for its minutes.
 */
final readonly class Swaps
{
    private const PAIR = 0.002;
    private const SHOWN = 5;

    /** Sets that are weighed, before those of three are left out. */
    private const MOST_SETS = 1_500_000;
    private const LEAST_GAIN = 1e-6;
    private const RESEAT_MINUTES = 5.0;
    private const SLACK = 1e-9;
    private const LEADING = 0.3;
    private const AHEAD = 1.2;

    /** @var array<string, int> place of a part in the list, by NUL and name */
    private array $place;

    /** @var array<string, SwapRole> by NUL and name */
    private array $roles;

    /**
     * @param list<SwapPart> $parts
     * @param list<SwapRole> $roles   those that are described; another is required and has one place
     * @param list<SwapRun>  $runs    in time order
     * @param ?float         $shows   chance that a bad part shows; null: 0.95, and 0.7 once the runs contradict one another
     * @param int            $mostBad members of a diagnosis
     */
    public function __construct(
        public array $parts,
        array $roles,
        public array $runs,
        private ?float $shows = null,
        private float $mistake = Shows::MISTAKE,
        private int $mostBad = 3,
        private bool $pairs = false,
    ) {
        $this->place = array_combine(array_map(static fn (SwapPart $it): string => "\0{$it->id}", $parts), array_keys($parts));
        $this->roles = array_combine(array_map(static fn (SwapRole $it): string => "\0{$it->name}", $roles), $roles);
    }

    public static function read(Node $node): self
    {
        $node->only('parts', 'roles', 'runs', 'shows', 'mistake', 'max_faults', 'pairs');
        $nodes = $node->at('parts')->items(Bounds::NAMES);
        $parts = array_map(SwapPart::read(...), $nodes);
        Node::distinct(array_map(static fn (Node $it): Node => $it->at('id'), $nodes));
        $described = $node->optional('roles')?->items() ?? [];
        $roles = array_map(SwapRole::read(...), $described);
        Node::distinct(array_map(static fn (Node $it): Node => $it->at('name'), $described));
        $it = new self($parts, $roles, []);
        $shows = $node->optional('shows');

        return new self(
            parts: $parts,
            roles: $roles,
            runs: array_map($it->run(...), $node->at('runs')->items(Bounds::RUNS)),
            shows: $shows === null
                ? null
                : ($shows->number() > 0.0 && $shows->number() <= 1.0 ? $shows->number() : $shows->refuse('must be above 0, at most 1')),
            mistake: $node->has('mistake') ? SwapPart::open($node->at('mistake')) : Shows::MISTAKE,
            mostBad: $node->optional('max_faults')?->integer(1, 3) ?? 3,
            pairs: $node->optional('pairs')?->bool() ?? false,
        );
    }

    private function run(Node $node): SwapRun
    {
        $node->only('parts', 'outcome');
        $names = $node->at('parts')->items(Bounds::NAMES);
        $names !== [] || $node->at('parts')->refuse('must name at least one part');
        $fitted = $count = [];
        foreach ($names as $name) {
            $place = $this->place["\0{$name->string()}"] ?? $name->refuse("there is no part \"{$name->string()}\"");
            !isset($fitted[$place]) || $name->refuse("\"{$name->string()}\" is given twice");
            $fitted[$place] = true;
            $role = $this->role($this->parts[$place]);
            $count["\0{$role->name}"] = ($count["\0{$role->name}"] ?? 0) + 1;
            $count["\0{$role->name}"] <= $role->places
                || $name->refuse("is one more than the {$role->places} place".($role->places === 1 ? '' : 's')." for {$role->name}");
        }
        ksort($fitted);

        return new SwapRun(array_keys($fitted), $node->at('outcome')->enum(RunOutcome::class) === RunOutcome::Works);
    }

    public function role(SwapPart $part): SwapRole
    {
        return $this->roles["\0{$part->role}"] ?? new SwapRole($part->role);
    }

    /** With one run more. */
    public function with(SwapRun $run): self
    {
        return new self(
            parts: $this->parts, roles: array_values($this->roles), runs: [...$this->runs, $run], shows: $this->shows, mistake: $this->mistake,
            mostBad: $this->mostBad, pairs: $this->pairs,
        );
    }

    public function found(): SwapsFound
    {
        $working = array_values(array_filter($this->runs, static fn (SwapRun $it): bool => $it->works));
        $failing = array_filter($this->runs, static fn (SwapRun $it): bool => !$it->works);
        $seen = $seenTogether = [];
        foreach ($working as $run) {
            foreach ($run->parts as $i => $one) {
                $seen[$one] = true;
                foreach (array_slice($run->parts, $i + 1) as $other) {
                    $seenTogether["{$one} {$other}"] = true;
                }
            }
        }
        $pairs = $this->pairs ? self::together($failing) : [];
        $suspect = array_filter($pairs, static fn (array $pair): bool => !isset($seenTogether["{$pair[0]} {$pair[1]}"]));
        $conflicts = $contradictions = [];
        foreach ($failing as $r => $run) {
            $conflict = array_values(array_filter($run->parts, static fn (int $part): bool => !isset($seen[$part])));
            $fitted = array_flip($run->parts);
            foreach ($suspect as $p => [$one, $other]) {
                isset($fitted[$one], $fitted[$other]) && $conflict[] = count($this->parts) + $p;
            }
            $conflict === [] ? $contradictions[] = $r + 1 : $conflicts[] = $conflict;
        }
        $shows = new Shows($this->shows ?? ($contradictions === [] ? Shows::USUAL : Shows::NOW_AND_THEN), $this->mistake);
        $priors = array_map(static fn (SwapPart $it): float => $it->prior, $this->parts);
        $small = SwapOdds::sets(count($this->parts), count($pairs), $this->mostBad) <= self::MOST_SETS;
        $odds = new SwapOdds(
            parts: count($this->parts), priors: $priors, pairs: $pairs, pair: self::PAIR, runs: $this->runs, shows: $shows,
            mostBad: $small ? $this->mostBad : 2,
        );
        [$sets, $proved] = $conflicts === [] && $contradictions !== [] ? [[], true]
            : HittingSets::of($conflicts, $this->mostBad, array_map(fn (int $p): int => count($this->parts) + $p, array_keys($pairs)));
        $diagnoses = $this->diagnoses($sets, $pairs, $odds);
        $bad = array_map($odds->bad(...), array_keys($this->parts));
        $cleared = array_map(static fn (int $part): bool => isset($seen[$part]) && $shows->shows === 1.0, array_keys($this->parts));
        $next = $this->next($odds);

        return new SwapsFound(
            diagnoses: $diagnoses,
            proved: $proved && $small,
            probabilities: $bad,
            cleared: $cleared,
            none: $odds->of([]),
            shows: $shows->shows,
            contradictions: $contradictions,
            entropyBits: max(0.0, $odds->entropy()),
            next: $next,
            reasons: [
                ...$this->reasons($seen, $contradictions, $conflicts, $bad, $next, $shows),
                ...($small ? [] : ['so many parts and pairs that sets of three were left out of the probabilities']),
            ],
        );
    }

    /**
     * @param array<int, SwapRun> $runs
     *
     * @return list<array{int, int}> parts that were fitted together in one of them
     */
    private static function together(array $runs): array
    {
        $pairs = [];
        foreach ($runs as $run) {
            foreach ($run->parts as $i => $one) {
                foreach (array_slice($run->parts, $i + 1) as $other) {
                    $pairs["{$one} {$other}"] = [$one, $other];
                }
            }
        }
        usort($pairs, static fn (array $a, array $b): int => $a <=> $b);

        return $pairs;
    }

    /**
     * @param list<list<int>>       $sets
     * @param list<array{int, int}> $pairs
     *
     * @return list<Diagnosis> most probable first
     */
    private function diagnoses(array $sets, array $pairs, SwapOdds $odds): array
    {
        $found = array_map(function (array $set) use ($pairs, $odds): Diagnosis {
            $parts = $together = [];
            foreach ($set as $member) {
                if ($member < count($this->parts)) {
                    $parts[] = $this->parts[$member]->id;
                } else {
                    [$one, $other] = $pairs[$member - count($this->parts)];
                    $together[] = [$this->parts[$one]->id, $this->parts[$other]->id];
                }
            }

            return new Diagnosis($parts, $together, $odds->of($set));
        }, $sets);
        usort($found, static fn (Diagnosis $a, Diagnosis $b): int => self::compare($b->probability, $a->probability));

        return $found;
    }

    /** @return list<NextRun> best first */
    private function next(SwapOdds $odds): array
    {
        $listed = $found = [];
        $undo = $this->lastAdded();
        if ($undo !== null) {
            [$out, $set] = $undo;
            $found[] = $first = $this->told($set, $out, null, count($this->runs) - 1, 0, $odds);
            $listed[implode(' ', $set)] = true;
        }
        $rest = [];
        foreach ($this->bases() as $b => $base) {
            foreach ($this->changes($this->runs[$base]) as [$set, $out, $in]) {
                $key = implode(' ', $set);
                if (!isset($listed[$key])) {
                    $listed[$key] = true;
                    $rest[] = $this->told($set, $out, $in, $base, $b, $odds);
                }
            }
        }
        $rest = array_values(array_filter($rest, static fn (NextRun $it): bool => $it->gainBits >= self::LEAST_GAIN * (1 - self::SLACK)));
        usort($rest, static fn (NextRun $a, NextRun $b): int => self::compare(
            $b->gainBits / $b->minutes,
            $a->gainBits / $a->minutes,
        ) ?: self::compare($b->gainBits, $a->gainBits)
            ?: [$a->out ?? PHP_INT_MAX, $a->in ?? PHP_INT_MAX, $a->order] <=> [$b->out ?? PHP_INT_MAX, $b->in ?? PHP_INT_MAX, $b->order]);

        return array_slice([...$found, ...$rest], 0, self::SHOWN);
    }

    /** @return list<int> the last run, the last that failed, the last that worked */
    private function bases(): array
    {
        $last = array_key_last($this->runs);
        $of = function (bool $works): ?int {
            for ($r = count($this->runs) - 1; $r >= 0; --$r) {
                if ($this->runs[$r]->works === $works) {
                    return $r;
                }
            }

            return null;
        };

        return array_values(array_unique(array_filter([$last, $of(false), $of(true)], is_int(...))));
    }

    /** @return array{int, list<int>}|null what the last run, which failed, has more than one that worked; and that one's parts */
    private function lastAdded(): ?array
    {
        $last = $this->runs[count($this->runs) - 1] ?? null;
        if ($last === null || $last->works) {
            return null;
        }
        for ($r = count($this->runs) - 2; $r >= 0; --$r) {
            $run = $this->runs[$r];
            $more = array_values(array_diff($last->parts, $run->parts));
            if ($run->works && count($more) === 1 && count($run->parts) === count($last->parts) - 1) {
                return [$more[0], $run->parts];
            }
        }

        return null;
    }

    /** @return list<array{list<int>, ?int, ?int}> sets that are one change away, what goes out, what comes in */
    private function changes(SwapRun $base): array
    {
        $fitted = array_flip($base->parts);
        $count = [];
        foreach ($base->parts as $part) {
            $count["\0{$this->parts[$part]->role}"] = ($count["\0{$this->parts[$part]->role}"] ?? 0) + 1;
        }
        $changes = [[$base->parts, null, null]];
        foreach ($base->parts as $out) {
            foreach ($this->parts as $in => $part) {
                if (!isset($fitted[$in]) && $part->role === $this->parts[$out]->role) {
                    $changes[] = [self::set($fitted, $out, $in), $out, $in];
                }
            }
        }
        foreach ($this->parts as $in => $part) {
            $role = $this->role($part);
            $there = $count["\0{$role->name}"] ?? 0;
            if (!isset($fitted[$in]) && $there < $role->places && ($base->works || ($role->required && $there === 0))) {
                $changes[] = [self::set($fitted, null, $in), null, $in];
            }
        }
        foreach ($base->parts as $out) {
            $role = $this->role($this->parts[$out]);
            if (count($base->parts) > 1 && (!$role->required || $count["\0{$role->name}"] > 1)) {
                $changes[] = [self::set($fitted, $out, null), $out, null];
            }
        }

        return $changes;
    }

    /**
     * @param array<int, int> $fitted
     *
     * @return list<int> ascending
     */
    private static function set(array $fitted, ?int $out, ?int $in): array
    {
        if ($out !== null) {
            unset($fitted[$out]);
        }
        if ($in !== null) {
            $fitted[$in] = 0;
        }
        ksort($fitted);

        return array_keys($fitted);
    }

    /** @param list<int> $set */
    private function told(array $set, ?int $out, ?int $in, int $base, int $order, SwapOdds $odds): NextRun
    {
        [$works, $gain] = $odds->tells($set);
        $minutes = ($out === null ? 0.0 : $this->parts[$out]->minutes) + ($in === null ? 0.0 : $this->parts[$in]->minutes);

        return new NextRun(
            parts: array_map(fn (int $part): string => $this->parts[$part]->id, $set),
            out: $out, in: $in,
            outName: $out === null ? null : $this->parts[$out]->id,
            inName: $in === null ? null : $this->parts[$in]->id,
            base: $base + 1, gainBits: max(0.0, $gain), works: min(1.0, max(0.0, $works)),
            minutes: $out === null && $in === null ? self::RESEAT_MINUTES : $minutes, order: $order,
        );
    }

    /** Equal within a relative slack. */
    private static function compare(float $a, float $b): int
    {
        return abs($a - $b) <= self::SLACK * max(abs($a), abs($b)) ? 0 : $a <=> $b;
    }

    /**
     * @param array<int, true> $seen
     * @param list<int>        $contradictions
     * @param list<list<int>>  $conflicts
     * @param list<float>      $bad
     * @param list<NextRun>    $next
     *
     * @return list<string>
     */
    private function reasons(array $seen, array $contradictions, array $conflicts, array $bad, array $next, Shows $shows): array
    {
        $reasons = [];
        $undo = $this->lastAdded();
        if ($undo !== null) {
            $reasons[] = "{$this->parts[$undo[0]]->id} was added last and the run failed: the last thing added is the first suspect, so "
                .'take it out again and repeat';
        }
        if ($seen !== []) {
            $names = implode(', ', array_map(fn (int $part): string => $this->parts[$part]->id, array_keys($seen)));
            $reasons[] = $shows->shows === 1.0
                ? "seen working, and so cleared: {$names}"
                : "seen working: {$names}; as a bad part may not show each time, nothing is cleared for certain";
        }
        if ($contradictions !== []) {
            $runs = implode(', ', $contradictions);
            $reasons[] = "run {$runs} failed with nothing in it that was not seen working: the fault comes and goes, two good parts do not "
                .'go together, a part has died since, '
                .'or a mistake was made (a seat, a jumper). The same set again, reseated, tells a mistake; the working set again tells a part that has died; '
                .'each part of it in the working set, one at a time, tells a pair';
            if ($conflicts === []) {
                $reasons[] = 'every run that failed is such a contradiction: there is no exact diagnosis';
            }
        } elseif (array_filter($this->runs, static fn (SwapRun $it): bool => !$it->works) === []) {
            $reasons[] = 'no run has failed: nothing need be bad';
        }
        $untested = $this->untested($bad);
        if ($untested !== null) {
            $reasons[] = "{$this->parts[$untested]->id} leads and no swap can test it, as it is needed in every run and nothing can stand "
                .'in for it: measure it where it sits (its supply and ground, its clock, its signals in and out)';
        }
        if ($next === [] && $this->runs !== []) {
            $reasons[] = 'no single change would tell more';
        }

        return $reasons;
    }

    /** @param list<float> $bad */
    private function untested(array $bad): ?int
    {
        arsort($bad);
        $order = array_keys($bad);
        $first = $order[0] ?? null;
        if ($first === null
            || $bad[$first] < self::LEADING * (1 - self::SLACK)
            || (isset($order[1]) && $bad[$first] < self::AHEAD * $bad[$order[1]] * (1 - self::SLACK))) {
            return null;
        }
        $role = $this->role($this->parts[$first]);
        $others = array_filter($this->parts, static fn (SwapPart $it): bool => $it->role === $role->name);

        return $role->required && count($others) === 1 ? $first : null;
    }
}
