<?php

declare(strict_types=1);

namespace App\Logbook;

use Ash\Logbook\Entries\JobClosed;
use Ash\Logbook\Outcome;
use Ash\Logbook\Stage;

/** What follows from an entry outside the record: open items that it ends, what each room does about it, and the job's own columns. */
final readonly class Followed
{
    public static function by(Entry $entry, Job $job, ?Entry $corrected): void
    {
        $rooms = House::here()->rooms;
        if ($corrected !== null) {
            OpenItem::query()->where('id', $corrected->id)->update(['open' => false, 'ended_by' => $entry->id]);
            foreach ($rooms as $room) {
                $room->withdraw($corrected, $entry, $job);
            }
        }
        foreach ($rooms as $room) {
            $room->follow($entry, $job);
        }
        self::job($job, $entry, $corrected);
    }

    /** Minutes since the job last learned something: kept with each entry, and counted again only behind one that came in late. */
    private static function evidence(Job $job, Entry $entry): void
    {
        if ($job->evidence_at !== null && !$entry->at->greaterThan($job->evidence_at)) {
            return;
        }
        $brings = House::here()->hall->kinds->all[$entry->kind]->weight ?? null;
        if ($brings?->bringsSomething() === true) {
            $later = $job->last_entry_at->greaterThan($entry->at);
            $job->evidence_at = $entry->at;
            $job->idle_minutes = $later ? (int) Entry::query()->where('job_id', $job->id)->where('at', '>', $entry->at)->sum('minutes') : 0;
        } else {
            $job->idle_minutes += $entry->minutes;
        }
    }

    private static function job(Job $job, Entry $entry, ?Entry $corrected): void
    {
        $job->minutes = max(0, $job->minutes + $entry->minutes - ($corrected->minutes ?? 0));
        $job->last_entry_at = $entry->at->greaterThan($job->last_entry_at) ? $entry->at : $job->last_entry_at;
        self::evidence($job, $entry);
        $record = Gathered::of($job->id);
        $closed = $record->outcome();
        $outcome = $closed?->as(JobClosed::class);
        $job->stage = $record->stage() ?? Stage::Intake;
        $job->outcome = $outcome?->outcome;
        $job->handed_back = $outcome->handedBack ?? false;
        $job->closed_at = $closed?->at;
        $job->state = match (true) {
            $record->voided() => 'void',
            $job->outcome === null => 'open',
            $job->outcome === Outcome::Parked => 'parked',
            default => 'closed',
        };
    }
}
