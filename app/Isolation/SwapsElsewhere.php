<?php

declare(strict_types=1);

namespace App\Isolation;

use App\Logbook\Board;
use App\Logbook\Entry;
use App\Logbook\Job;
use Ash\Document\InvalidDocument;
use Ash\Document\Shape;
use Ash\Isolation\SwapFitted;
use Ash\Isolation\SwapTried;
use Illuminate\Support\Facades\DB;

/** Parts of swaps that are boards of the record: what one job tried with a board counts on every job that tries it. */
final readonly class SwapsElsewhere
{
    /** Jobs, and runs of them, that are looked at: the latest. */
    private const JOBS = 8;
    private const RUNS = 24;

    /** A part that is called by the serial number of one board, or by the name of one board of the job's machine, is that board. */
    public static function named(SwapTried $run, Job $job): SwapTried
    {
        $ids = array_map(static fn (SwapFitted $it): string => $it->id, $run->parts);
        $boards = Board::query()->whereNull('merged_into')->where(static fn ($q) => $q->whereIn('serial', $ids)
            ->orWhere(static fn ($of) => $of->where('machine_id', $job->machine_id)->whereNotNull('machine_id')->whereIn('name', $ids)))
            ->get(['id', 'serial', 'name', 'machine_id']);
        $parts = [];
        foreach ($run->parts as $i => $it) {
            if ($it->board !== null) {
                Board::query()->whereKey($it->board)->exists() || throw InvalidDocument::at("/data/parts/{$i}/board", 'is no board here');
            }
            $of = $boards->filter(static fn (Board $b): bool => $b->serial === $it->id);
            $of = $of->isNotEmpty() ? $of : $boards->filter(static fn (Board $b): bool => $b->name === $it->id && $b->machine_id === $job->machine_id);
            $parts[] = $it->board === null && count($of) === 1 ? new SwapFitted($it->id, $it->role, $it->knownGood, $of->firstOrFail()->id) : $it;
        }

        return Shape::of(SwapTried::class)->with($run, ['parts' => $parts]);
    }

    public static function keep(SwapTried $run, string $job): void
    {
        foreach ($run->parts as $it) {
            $it->board === null || DB::table('swap_boards')->insertOrIgnore(['board_id' => $it->board, 'job_id' => $job]);
        }
    }

    /**
     * @param list<SwapTried> $runs of a job
     *
     * @return list<array{Job, SwapTried}> runs of other jobs with one of its boards, named as this job names them, in time order
     */
    public static function of(Job $job, array $runs): array
    {
        $names = [];
        foreach ($runs as $run) {
            foreach ($run->parts as $it) {
                $it->board === null || $names["\0{$it->board}"] ??= $it->id;
            }
        }
        if ($names === []) {
            return [];
        }
        $boards = array_map(static fn (string $id): string => substr($id, 1), array_keys($names));
        $jobs = Job::query()->whereIn('id', DB::table('swap_boards')->whereIn('board_id', $boards)->where('job_id', '<>', $job->id)->select('job_id'))
            ->where('state', '<>', 'void')->orderByDesc('number')->limit(self::JOBS)->get()->keyBy('id');
        $found = [];
        foreach ($jobs->isEmpty()
            ? []
            : Entry::standing(SwapTried::KIND)->whereIn('job_id', $jobs->keys())->orderByDesc('at')->orderByDesc('id')->limit(self::RUNS)->get() as $entry) {
            $run = $entry->as(SwapTried::class);
            $shares = $run === null
                ? []
                : array_filter($run->parts, static fn (SwapFitted $it): bool => $it->board !== null && isset($names["\0{$it->board}"]));
            $run === null || $shares === [] || array_unshift($found, [$jobs[$entry->job_id], $run->seenFrom($names, $jobs[$entry->job_id]->label())]);
        }

        return $found;
    }
}
