<?php

declare(strict_types=1);

namespace Ash\Isolation;

/** The runs of a job as the swap model takes them. */
final readonly class SwapRecord
{
    /**
     * @param list<SwapTried> $runs      in time order
     * @param list<SwapTried> $elsewhere
     */
    private function __construct(public Swaps $swaps, public array $runs, public array $elsewhere)
    {
    }

    /** What would explain it best once a run that could be made next has worked, or failed. */
    public function after(NextRun $next, bool $works): ?Diagnosis
    {
        $place = array_flip(array_map(static fn (SwapPart $it): string => "\0{$it->id}", $this->swaps->parts));
        $numbers = array_map(static fn (string $it): int => $place["\0{$it}"], $next->parts);
        sort($numbers);

        return $this->swaps->with(new SwapRun($numbers, $works))->found()->diagnoses[0] ?? null;
    }

    /**
     * "Sometimes" counts as fails, and then a bad part shows with 0.7. A role has as many places as a run has ever filled, and is required
     * when no run that worked was without it.
     *
     * @param list<SwapTried> $own       in time order
     * @param list<SwapTried> $elsewhere runs of other jobs with one of its parts, as this job sees them: evidence, but no places to fill
     */
    public static function of(array $own, array $elsewhere = []): self
    {
        $runs = [...$own, ...$elsewhere];
        $parts = $place = $roles = $kept = [];
        foreach ($runs as $run) {
            $count = [];
            foreach ($run->parts as $it) {
                if (!isset($place["\0{$it->id}"]) && count($parts) < Bounds::NAMES) {
                    $place["\0{$it->id}"] = count($parts);
                    $parts[] = SwapPart::of($it->id, $it->role, $it->knownGood);
                }
                $count["\0{$it->role}"] = ($count["\0{$it->role}"] ?? 0) + 1;
            }
            foreach ($count as $role => $n) {
                $roles[$role] = max($roles[$role] ?? 1, $n);
            }
        }
        $without = [];
        $ours = array_fill_keys(
            array_map(static fn (SwapFitted $it): string => "\0{$it->role}", array_merge(...array_map(static fn (SwapTried $it): array => $it->parts, $own))),
            true,
        );
        $fitted = [];
        foreach (array_slice($runs, -Bounds::RUNS) as $run) {
            $in = array_flip(array_map(static fn (SwapFitted $it): string => "\0{$it->role}", $run->parts));
            foreach ($run->outcome === SwapOutcome::Works && in_array($run, $own, true) ? array_diff_key($roles, $in) : [] as $role => $_) {
                $without[$role] = true;
            }
            $numbers = array_values(array_filter(array_map(static fn (SwapFitted $it): ?int => $place["\0{$it->id}"] ?? null, $run->parts), is_int(...)));
            sort($numbers);
            $fitted[] = new SwapRun($numbers, $run->outcome === SwapOutcome::Works);
        }
        $described = array_map(
            static fn (string $role, int $places): SwapRole => new SwapRole(substr($role, 1), isset($ours[$role]) && !isset($without[$role]), $places),
            array_keys($roles),
            $roles,
        );
        $sometimes = array_filter($runs, static fn (SwapTried $it): bool => $it->outcome === SwapOutcome::Sometimes) !== [];

        // What failed with nothing in it that was not seen working comes and goes, or is two good parts that do not go together.
        $together = self::onlyGood($fitted);

        return new self(
            new Swaps($parts, $described, $fitted, $sometimes || $together ? Shows::NOW_AND_THEN : null, pairs: $together),
            $own,
            $elsewhere,
        );
    }

    /** @param list<SwapRun> $runs */
    private static function onlyGood(array $runs): bool
    {
        $good = array_merge(...array_map(static fn (SwapRun $it): array => $it->works ? $it->parts : [], $runs));

        return array_filter($runs, static fn (SwapRun $it): bool => !$it->works && array_diff($it->parts, $good) === []) !== [];
    }
}
