<?php

declare(strict_types=1);

namespace App\Corrosion;

use App\Logbook\Entry;
use App\Logbook\Job;
use App\Logbook\OpenItem;
use App\Logbook\Room;
use App\Logbook\StandingOfJob;
use App\Logbook\Taking;
use Ash\Corrosion\ContinuityRead;
use Ash\Corrosion\CorrosionRoom as Core;
use Ash\Corrosion\Surveyed;
use Ash\Corrosion\SurveyPlace;
use Ash\Corrosion\TraceVerdict;
use Ash\Document\InvalidDocument;
use Ash\Facts\Facts;
use Ash\Logbook\EntryData;
use Ash\Logbook\Profile;
use Illuminate\Support\Facades\Route;

/** What leaks and continuity bring on this floor. */
final class CorrosionRoom extends Room
{
    /** An open item while a trace is thin or open. */
    public function name(): string
    {
        return 'corrosion';
    }

    public function reads(): void
    {
        Route::get('jobs/{job}/corrosion', [CorrosionController::class, 'show']);
        Route::get('jobs/{job}/leaks', [CorrosionController::class, 'moved']);
    }

    public function pages(): void
    {
        Route::get('jobs/{job}/leaks', [CorrosionController::class, 'movedPage']);
    }

    public function records(): void
    {
        Route::post('photos/{photo}/distance', [CorrosionController::class, 'distance']);
        Route::post('jobs/{job}/continuity/take', [CorrosionController::class, 'take']);
    }

    public function complete(EntryData $data, Taking $at): EntryData
    {
        if (!$data instanceof ContinuityRead) {
            return $data;
        }
        $place = Entry::query()->where('job_id', $at->job->id)->where('kind', SurveyPlace::KIND)->find($data->place)?->as(SurveyPlace::class)
            ?? throw InvalidDocument::at('/data/place', 'is not a place of this job\'s leak survey');

        return $data->judgedAt($place);
    }

    /** A trace lies on the board where its place was found. */
    public function boardOf(EntryData $data, Taking $at): ?string
    {
        return $data instanceof ContinuityRead ? Entry::query()->where('job_id', $at->job->id)->find($data->place)?->board_id : null;
    }

    public function decides(): array
    {
        return [SurveyPlace::KIND, ContinuityRead::KIND];
    }

    public function facts(Job $job, Profile $profile, Facts $known): array
    {
        $places = $readings = [];
        foreach (StandingOfJob::here()->of($job->id, ...$this->decides()) as $entry) {
            $data = $entry->data;
            if ($data instanceof SurveyPlace) {
                $places[] = $data;
            } elseif ($data instanceof ContinuityRead) {
                $readings[$data->place] = $data;
            }
        }

        return Surveyed::answers($places, $readings);
    }

    /** A trace that is thin or open is a thing to repair until it reads sound. */
    public function follow(Entry $entry, Job $job): void
    {
        $it = $entry->as(ContinuityRead::class);
        if ($it === null) {
            return;
        }
        OpenItem::query()->where('job_id', $entry->job_id)->where('kind', Core::REPAIR)->where('open', true)
            ->where('text', 'like', addcslashes($it->what, '%_\\').':%')->update(['open' => false, 'ended_by' => $entry->id]);
        if ($it->verdict !== null && $it->verdict !== TraceVerdict::Sound) {
            OpenItem::begin($entry, Core::REPAIR, "{$it->what}: {$it->verdict->value}, ".implode('; ', $it->wireSays));
        }
    }
}
