<?php

declare(strict_types=1);

namespace App\Capacitors;

use App\Logbook\Entry;
use App\Logbook\Job;
use App\Logbook\OpenItem;
use App\Logbook\Room;
use App\Logbook\Taking;
use Ash\Capacitors\BoardCapacitor;
use Ash\Capacitors\CapacitorFound;
use Ash\Capacitors\CapacitorRead;
use Ash\Capacitors\PartsCondemned;
use Ash\Capacitors\PartVerdict;
use Ash\Capacitors\Rework;
use Ash\Facts\Facts;
use Ash\Facts\PartWanted;
use Ash\Logbook\Entries\Decision;
use Ash\Logbook\Entries\Overruled;
use Ash\Logbook\Entries\PartReplaced;
use Ash\Logbook\Entries\WaitingFor;
use Ash\Logbook\EntryData;
use Ash\Logbook\Profile;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Route;

/** What capacitors bring on this floor. */
final class CapacitorsRoom extends Room
{
    /** Condemned parts that are looked at to say what is in the way. */
    private const NAMED = 100;

    /** Open jobs that are asked what they want. */
    private const ASKED = 200;

    public function name(): string
    {
        return 'capacitors';
    }

    public function reads(): void
    {
        Route::get('jobs/{job}/capacitors', [CapacitorController::class, 'show']);
        Route::get('jobs/{job}/substitutes', [CapacitorController::class, 'substitutes']);
    }

    public function records(): void
    {
        Route::post('jobs/{job}/capacitors/take', [CapacitorController::class, 'take']);
        Route::post('capacitors/decode', [CapacitorController::class, 'decode']);
    }

    public function complete(EntryData $data, Taking $at): EntryData
    {
        $job = $at->job->about($at->draft->board);

        return match (true) {
            $data instanceof CapacitorFound => CompleteCapacitor::found($job, $data),
            $data instanceof CapacitorRead => CompleteCapacitor::reading($job, $data),
            $data instanceof Rework => CompleteCapacitor::rework($job, $data),
            $data instanceof PartReplaced => CompleteCapacitor::part($job, $data),
            default => $data,
        };
    }

    public function names(Job $job): array
    {
        return array_map(static fn (BoardCapacitor $it): string => $it->key, BoardList::of($job)->all);
    }

    public function follow(Entry $entry, Job $job): void
    {
        $data = $entry->data;
        match (true) {
            $data instanceof CapacitorFound => self::found($entry, $data),
            $data instanceof CapacitorRead => CapacitorTests::renew($job->about($entry->board_id), $data->cap),
            $data instanceof PartReplaced => CapacitorTests::renew($job->about($entry->board_id), $data->designator),
            default => null,
        };
    }

    public function withdraw(Entry $entry, Entry $by, Job $job): void
    {
        $data = $entry->data;
        match (true) {
            $data instanceof CapacitorRead => CapacitorTests::renew($job->about($entry->board_id), $data->cap),
            $data instanceof PartReplaced => CapacitorTests::renew($job->about($entry->board_id), $data->designator),
            default => null,
        };
    }

    public function wants(): array
    {
        // Two questions, each answered by the index of jobs and kinds; one with OR inside would read every entry of every open job.
        $has = static fn (string $kind): \Closure => static fn (Builder $query) => $query->from('entries')
            ->whereColumn('entries.job_id', 'jobs.id')->where('kind', $kind)
            ->when($kind === Decision::KIND, static fn (Builder $policy) => $policy->whereRaw("JSON_VALUE(data, '$.policy') = 'replace_kind'"));
        $jobs = Job::query()->where('state', 'open')
            ->where(static fn ($either) => $either->whereExists($has(CapacitorRead::KIND))->orWhereExists($has(Decision::KIND)))
            ->orderBy('number')->limit(self::ASKED)->get();
        $wants = [];
        foreach ($jobs as $job) {
            $parts = array_map(self::wanted(...), CapacitorsOfJob::of($job)->wanted());
            $wants[$job->label()] = array_values(array_filter($parts));
        }

        return $wants;
    }

    /** A new one is bought for the original, whatever sits there now. */
    private static function wanted(BoardCapacitor $it): ?PartWanted
    {
        return $it->original === null ? null : new PartWanted($it->key, $it->original->kind, $it->original->markedF, $it->original->ratedV);
    }

    /** One that nobody knows waits with a question. */
    private static function found(Entry $entry, CapacitorFound $data): void
    {
        $it = BoardCapacitor::of($data);
        if ($it->part === null) {
            $where = $data->rail === null ? '' : ", on {$data->rail}";
            OpenItem::begin($entry, WaitingFor::KIND, "an answer, which capacitor it is: {$it->key}{$where}, {$it->words()}", $data->asked);
        }
    }

    public function facts(Job $job, Profile $profile, Facts $known): array
    {
        $tests = DB::table('capacitor_tests')->where(
            static fn ($q) => $q->where('board_id', $job->board_id)->orWhere('job_id', $job->id),
        )->where('current', true)->where('verdict', PartVerdict::Replace->value)
            ->where('replaced', false)->orderBy('cap_key')->limit(self::NAMED)->pluck('cap_key', 'entry_id')->all();
        $overruled = $tests === [] ? [] : Entry::standing(Overruled::KIND)->where('job_id', $job->id)->get()->concat(
            Entry::standing(Overruled::KIND)->where('board_id', $job->board_id)->get(),
        )
            ->map(static fn (Entry $it): string => $it->as(Overruled::class)->of ?? '')->all();
        $parts = array_values(array_filter(array_diff_key($tests, array_flip($overruled)), is_string(...)));

        if ($parts === []) {
            return [];
        }
        $condemned = new PartsCondemned($parts);

        return [$condemned, $condemned->answer()];
    }
}
