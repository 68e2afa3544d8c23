<?php

declare(strict_types=1);

namespace App\Logbook;

use App\Capacitors\CapacitorTests;
use App\Memory\Tidying;
use App\Rails\StoredReading;
use App\Shelf\Shelf;
use Ash\Capacitors\BoardCapacitor;
use Ash\Document\Node;
use Ash\Logbook\EntryKind;
use Ash\Logbook\EntryWords;
use Ash\Logbook\Outcome;
use Ash\Logbook\Stage;

/** What follows from an entry outside the record: open items, superseded readings, and the job's own columns. */
final readonly class Projection
{
    public static function follow(Job $job, Entry $entry, ?Entry $corrected): void
    {
        if ($corrected !== null) {
            self::withdraw($job, $corrected, $entry);
        }
        self::items($job, $entry);
        self::job($job, $entry, $corrected);
    }

    private static function withdraw(Job $job, Entry $corrected, Entry $by): void
    {
        match ($corrected->kind) {
            EntryKind::Reading => StoredReading::query()->where('entry_id', $corrected->id)->update(['superseded' => true]),
            EntryKind::Part => self::partBack($job, $corrected, $by),
            EntryKind::CapReading => CapacitorTests::renew($job, Record::word($corrected, 'cap')),
            EntryKind::Hazard, EntryKind::Waiting, EntryKind::Clock, EntryKind::Battery, EntryKind::Continuity, EntryKind::Capacitor => OpenItem::query()->where('id', $corrected->id)->update(['open' => false, 'ended_by' => $by->id]),
            EntryKind::Undone, EntryKind::Arrived, EntryKind::ClockRead => OpenItem::query()->where('ended_by', $corrected->id)->update(['open' => true, 'ended_by' => null]),
            default => null,
        };
    }

    private static function items(Job $job, Entry $entry): void
    {
        match ($entry->kind) {
            EntryKind::Hazard => self::open($entry, 'hazard', $entry->text, null, $entry->at->format('Y-m-d H:i:s')),
            EntryKind::Waiting => self::open($entry, 'waiting', Record::word($entry, 'for'), Record::word($entry, 'asked') ?: null,
                Record::word($entry, 'since') !== '' ? self::utc(Record::word($entry, 'since')) : $entry->at->format('Y-m-d H:i:s')),
            EntryKind::Clock => self::open($entry, 'clock', 'clock test', null, $entry->at->format('Y-m-d H:i:s'), Record::word($entry, 'due_at')),
            EntryKind::ClockRead => self::end(Record::word($entry, 'test'), $entry),
            EntryKind::Battery => self::battery($entry),
            EntryKind::Continuity => self::continuity($entry),
            EntryKind::Capacitor => self::capacitor($entry),
            EntryKind::Memory, EntryKind::Soak => Tidying::keep(Record::word($entry, 'source')),
            EntryKind::CapReading => CapacitorTests::renew($job, Record::word($entry, 'cap')),
            EntryKind::Part => CapacitorTests::renew($job, Record::word($entry, 'designator')),
            EntryKind::Undone => self::end(Record::word($entry, 'hazard'), $entry),
            EntryKind::Arrived => self::end(Record::word($entry, 'waiting'), $entry),
            default => null,
        };
    }

    /** What came from the shelf lies there again. A correction has given it back already, before it took its own. */
    private static function partBack(Job $job, Entry $part, Entry $by): void
    {
        CapacitorTests::renew($job, Record::word($part, 'designator'));
        $by->kind === EntryKind::Withdrawn && Shelf::giveBack($part->id, $by->author);
    }

    /** One that nobody knows waits with a question. */
    private static function capacitor(Entry $entry): void
    {
        $it = BoardCapacitor::read(Node::of((object) array_diff_key($entry->data, ['asked' => 1])));
        if ($it->part === null) {
            self::open($entry, 'waiting', "an answer, which capacitor it is: {$it->key}".($it->rail === null ? '' : ", on {$it->rail}").", {$it->words()}", Record::word($entry, 'asked') ?: null, $entry->at->format('Y-m-d H:i:s'));
        }
    }

    private static function open(Entry $entry, string $kind, string $text, ?string $asked, string $since, string $due = ''): void
    {
        $job = Job::query()->findOrFail($entry->job_id);
        OpenItem::query()->create([
            'id' => $entry->id, 'job_id' => $entry->job_id, 'board_id' => $entry->board_id ?? $job->board_id, 'kind' => $kind,
            'text' => mb_substr($text, 0, 400), 'asked' => $asked, 'since' => $since, 'open' => true, 'due' => $due === '' ? null : self::utc($due),
        ]);
    }

    private static function utc(string $time): string
    {
        return (new \DateTimeImmutable($time))->setTimezone(new \DateTimeZone('UTC'))->format('Y-m-d H:i:s');
    }

    /** A battery that is fitted ends the re-check of the one before it, and may open one of its own. */
    private static function battery(Entry $entry): void
    {
        if (Record::word($entry, 'state') !== 'fitted') {
            return;
        }
        OpenItem::query()->where('board_id', $entry->board_id)->where('kind', 'recheck')->where('open', true)->update(['open' => false, 'ended_by' => $entry->id]);
        if (Record::word($entry, 'recheck_at') !== '') {
            self::open($entry, 'recheck', 're-check: '.EntryWords::of($entry->kind, '', $entry->data), null, $entry->at->format('Y-m-d H:i:s'), Record::word($entry, 'recheck_at'));
        }
    }

    /** A trace that is thin or open is a thing to repair until it reads sound. */
    private static function continuity(Entry $entry): void
    {
        $place = Record::word($entry, 'what');
        OpenItem::query()->where('job_id', $entry->job_id)->where('kind', 'repair')->where('open', true)->where('text', 'like', addcslashes($place, '%_\\').':%')->update(['open' => false, 'ended_by' => $entry->id]);
        if (Record::word($entry, 'verdict') !== 'sound') {
            $says = is_array($entry->data['wire_says'] ?? null) ? implode('; ', array_filter($entry->data['wire_says'], is_string(...))) : '';
            self::open($entry, 'repair', "{$place}: ".Record::word($entry, 'verdict').", {$says}", null, $entry->at->format('Y-m-d H:i:s'));
        }
    }

    private static function end(string $id, Entry $by): void
    {
        OpenItem::query()->where('id', $id)->update(['open' => false, 'ended_by' => $by->id]);
    }

    private static function job(Job $job, Entry $entry, ?Entry $corrected): void
    {
        $job->minutes = max(0, $job->minutes + $entry->minutes - ($corrected->minutes ?? 0));
        $job->last_entry_at = $entry->at->greaterThan($job->last_entry_at) ? $entry->at : $job->last_entry_at;
        $record = Record::of($job->id);
        $outcome = $record->outcome();
        $job->stage = Stage::tryFrom($record->stage() ?? '') ?? Stage::Intake;
        $job->outcome = Outcome::tryFrom(Record::word($outcome, 'outcome'));
        $job->handed_back = ($outcome->data['handed_back'] ?? false) === true;
        $job->closed_at = $outcome?->at;
        $job->state = match ($job->outcome) {
            null => 'open',
            Outcome::Parked => 'parked',
            default => 'closed',
        };
    }
}
