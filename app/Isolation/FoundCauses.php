<?php

declare(strict_types=1);

namespace App\Isolation;

use App\Logbook\Entry;
use App\Logbook\Job;
use App\Logbook\Machine;
use Ash\Isolation\CauseFound;
use Ash\Isolation\ShopHistory;
use Ash\Logbook\Entries\JobClosed;
use Ash\Logbook\Outcome;
use Illuminate\Support\Facades\DB;

/** What closed jobs turned out to be: kept beside the record, so that nobody counts them again on every page. It can be made from the record. */
final readonly class FoundCauses
{
    private const FIXED = [Outcome::Fixed, Outcome::FixedWithLimits];

    /** The cause that a job names last, and whether the job is closed as fixed. */
    public static function keep(Job $job, ?Entry $without = null): void
    {
        $found = Entry::standing(CauseFound::KIND)
            ->where('job_id', $job->id)
            ->where('id', '<>', (string) $without?->id)
            ->orderByDesc('at')
            ->orderByDesc('id')->first();
        $it = $found?->as(CauseFound::class);
        DB::table('found_causes')->where('job_id', $job->id)->delete();
        if ($it === null) {
            return;
        }
        DB::table('found_causes')->insert([
            'job_id' => $job->id, 'kind_id' => Machine::query()->where('id', $job->machine_id)->value('kind_id'),
            'symptom' => $it->symptom, 'cause' => $it->cause, 'proven' => false,
        ]);
    }

    /** A job was closed, or opened again. */
    public static function closed(Job $job, ?JobClosed $as): void
    {
        DB::table('found_causes')->where('job_id', $job->id)->update(['proven' => $as !== null && in_array($as->outcome, self::FIXED, true)]);
    }

    public static function history(string $symptom, Job $job): ShopHistory
    {
        $kind = Machine::query()->where('id', $job->machine_id)->value('kind_id');

        return self::of($symptom, is_string($kind) ? $kind : null);
    }

    /** @param ?string $kind of machine; null: all of them */
    public static function of(string $symptom, ?string $kind): ShopHistory
    {
        $of = $all = [];
        foreach (DB::table('found_causes')
            ->where('symptom', $symptom)
            ->where('proven', true)
            ->groupBy('kind_id', 'cause')
            ->select('kind_id', 'cause')
            ->selectRaw('COUNT(*) AS jobs')->get() as $row) {
            $row = (array) $row;
            $cause = "\0".(is_string($row['cause']) ? $row['cause'] : '');
            $jobs = is_numeric($row['jobs']) ? (int) $row['jobs'] : 0;
            $all[$cause] = ($all[$cause] ?? 0) + $jobs;
            if ($kind !== null && $row['kind_id'] === $kind) {
                $of[$cause] = $jobs;
            }
        }

        return ShopHistory::of($of, $all);
    }
}
