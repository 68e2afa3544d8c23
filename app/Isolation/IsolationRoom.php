<?php

declare(strict_types=1);

namespace App\Isolation;

use App\Logbook\Entry;
use App\Logbook\Job;
use App\Logbook\Room;
use App\Logbook\Taking;
use Ash\Document\InvalidDocument;
use Ash\Document\Shape;
use Ash\Facts\Facts;
use Ash\Isolation\CauseFound;
use Ash\Isolation\SwapSaid;
use Ash\Isolation\SwapTried;
use Ash\Isolation\SymptomChosen;
use Ash\Isolation\TestDone;
use Ash\Logbook\Entries\JobClosed;
use Ash\Logbook\EntryData;
use Ash\Logbook\LogbookRoom as Core;
use Ash\Logbook\Profile;
use Illuminate\Support\Facades\Route;

/** What finding the part brings on this floor. */
final class IsolationRoom extends Room
{
    public function name(): string
    {
        return 'isolation';
    }

    public function reads(): void
    {
        Route::get('history', [HistoryController::class, 'show']);
        Route::get('library', [LibraryController::class, 'index']);
        Route::get('library/{symptom}', [LibraryController::class, 'show']);
        Route::get('jobs/{job}/isolation', [IsolationController::class, 'show']);
    }

    public function leads(): void
    {
        Route::post('library', [LibraryController::class, 'store']);
    }

    public function pages(): void
    {
        Route::get('symptom-library.json', [LibraryController::class, 'download']);
    }

    public function complete(EntryData $data, Taking $at): EntryData
    {
        if ($data instanceof SwapSaid) {
            $runs = FindOfJob::runs($at->job);

            $data = $data->after($runs[count($runs) - 1] ?? null) ?? throw InvalidDocument::at('/data/parts', $runs === []
                ? 'no set was tried yet: say what is fitted first (tried supply, board, card 1 as graphics: dark)'
                : "nothing is fitted as \"{$data->role}\"");
        }
        if ($data instanceof SwapTried) {
            return SwapsElsewhere::named($data, $at->job);
        }
        if ($data instanceof SymptomChosen) {
            $symptom = Library::symptom($data->symptom) ?? throw InvalidDocument::at('/data/symptom', 'is not in the library');

            return Shape::of(SymptomChosen::class)->with($data, ['name' => $symptom->name]);
        }
        if ($data instanceof CauseFound) {
            $symptom = Library::symptom($data->symptom) ?? throw InvalidDocument::at('/data/symptom', 'is not in the library');
            isset($symptom->causes["\0{$data->cause}"]) || throw InvalidDocument::at('/data/cause', "is no cause of \"{$symptom->name}\"");

            return Shape::of(CauseFound::class)->with($data, ['name' => $symptom->name]);
        }
        if ($data instanceof TestDone) {
            $symptom = Library::symptom($data->symptom) ?? throw InvalidDocument::at('/data/symptom', 'is not in the library');
            $test = $symptom->tests["\0{$data->test}"] ?? throw InvalidDocument::at('/data/test', "is no test of \"{$symptom->name}\"");
            in_array($data->outcome, $test->test->outcomes, true)
                || throw InvalidDocument::at('/data/outcome', 'must be one of '.implode(', ', $test->test->outcomes));
        }

        return $data;
    }

    public function follow(Entry $entry, Job $job): void
    {
        $data = $entry->data;
        match (true) {
            $data instanceof CauseFound => FoundCauses::keep($job),
            $data instanceof SwapTried => SwapsElsewhere::keep($data, $job->id),
            $data instanceof JobClosed => FoundCauses::closed($job, $data),
            $entry->kind === Core::REOPENED, $entry->kind === Core::VOIDED => FoundCauses::closed($job, null),
            default => null,
        };
    }

    public function withdraw(Entry $entry, Entry $by, Job $job): void
    {
        match ($entry->kind) {
            CauseFound::KIND => FoundCauses::keep($job, $entry),
            JobClosed::KIND => FoundCauses::closed($job, null),
            default => null,
        };
    }

    public function decides(): array
    {
        return FindOfJob::kinds();
    }

    public function facts(Job $job, Profile $profile, Facts $known): array
    {
        $weighed = FindOfJob::of($job, $known)->weighed($job);

        return $weighed === null ? [] : [$weighed];
    }
}
