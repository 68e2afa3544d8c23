<?php

declare(strict_types=1);

namespace App\Batteries;

use App\Logbook\Entry;
use App\Logbook\Job;
use App\Logbook\OpenItem;
use App\Logbook\Room;
use App\Logbook\StandingOfJob;
use App\Logbook\Taking;
use Ash\Batteries\BatteriesRoom as Core;
use Ash\Batteries\BatteryKnown;
use Ash\Batteries\BatteryNote;
use Ash\Batteries\BatteryState;
use Ash\Batteries\BoardNeeds;
use Ash\Batteries\ClockRead;
use Ash\Batteries\ClockSet;
use Ash\Facts\Facts;
use Ash\Logbook\EntryData;
use Ash\Logbook\Profile;
use Illuminate\Support\Facades\Route;

/** What batteries and clocks bring on this floor. */
final class BatteriesRoom extends Room
{
    /** An open item until a fitted battery is looked at again. */
    public function name(): string
    {
        return 'batteries';
    }

    public function reads(): void
    {
        Route::get('jobs/{job}/battery', [BatteryController::class, 'show']);
    }

    public function records(): void
    {
        Route::post('jobs/{job}/battery-options', [BatteryController::class, 'options']);
        Route::post('calendar', [CalendarController::class, 'store']);
        Route::delete('calendar', [CalendarController::class, 'destroy']);
    }

    public function open(): void
    {
        // A calendar reads this without a session; the address is the secret.
        Route::get('calendar/{secret}.ics', [CalendarController::class, 'feed'])->where('secret', '[0-9a-f]{40}')->middleware('throttle:api');
    }

    public function complete(EntryData $data, Taking $at): EntryData
    {
        return match (true) {
            $data instanceof BatteryNote => CompleteBattery::note($at->job->about($at->draft->board), $data, $at->profile->section(BoardNeeds::class)),
            $data instanceof ClockRead => CompleteBattery::clock($at->job->about($at->draft->board), $data),
            default => $data,
        };
    }

    public function follow(Entry $entry, Job $job): void
    {
        $data = $entry->data;
        match (true) {
            $data instanceof ClockSet => OpenItem::begin($entry, Core::CLOCK_TEST, 'clock test', due: $data->dueAt),
            $data instanceof ClockRead => OpenItem::end($data->test, $entry),
            $data instanceof BatteryNote && $data->state === BatteryState::Fitted => self::fitted($entry, $data),
            default => null,
        };
    }

    public function withdraw(Entry $entry, Entry $by, Job $job): void
    {
        if ($entry->kind === ClockRead::KIND) {
            OpenItem::reopen($entry);
        }
    }

    public function decides(): array
    {
        return [BatteryNote::KIND];
    }

    public function facts(Job $job, Profile $profile, Facts $known): array
    {
        // A battery on the main board is not answered by "none" on a card: each board's last word counts, and the worst of them for the job.
        $last = $notes = [];
        foreach (StandingOfJob::here()->of($job->id, ...$this->decides()) as $entry) {
            $board = strtolower((string) $entry->board_id);
            $notes[$board] = $entry->as(BatteryNote::class);
            $last[$board] = $notes[$board]?->state;
        }
        $state = in_array(BatteryState::Leaking, $last, true) ? BatteryState::Leaking : $last[strtolower($job->board_id)] ?? null;
        $answers = array_map(static fn (?BatteryNote $it): array => $it?->answers() ?? [], array_values($notes));

        return $state === null ? [] : [new BatteryKnown($state), ...array_merge(...$answers)];
    }

    /** A battery that is fitted ends the re-check of the one before it, and may open one of its own. */
    private static function fitted(Entry $entry, BatteryNote $data): void
    {
        OpenItem::query()
            ->where('board_id', $entry->board_id)
            ->where('kind', Core::RECHECK)
            ->where('open', true)
            ->update(['open' => false, 'ended_by' => $entry->id]);
        if ($data->recheckAt !== null) {
            OpenItem::begin($entry, Core::RECHECK, 're-check: '.$data->sentence(''), due: $data->recheckAt);
        }
    }
}
