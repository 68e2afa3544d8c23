<?php

declare(strict_types=1);

namespace App\Logbook;

use App\Rails\RunState;
use Ash\Logbook\Allowance;
use Ash\Logbook\EntryKind;
use Ash\Logbook\JobFacts;
use Ash\Logbook\Profile;

/** Gathers from the record what the core's rules about a job want to know. */
final readonly class ReadFacts
{
    private const EVIDENCE = [EntryKind::Symptom, EntryKind::Reading, EntryKind::Observation, EntryKind::Part];

    public static function of(Job $job, Profile $profile): JobFacts
    {
        $record = Record::of($job->id);
        $run = RunState::latest($job->id, $profile, $record);
        $items = OpenItem::query()->where('job_id', $job->id)->where('open', true)->orderBy('since')->orderBy('id')->get();
        $lastReading = $run?->readings->last();
        $lastPart = $record->kind(EntryKind::Part)->last();
        $outcome = $record->outcome();

        return new JobFacts(
            $job->stage,
            $record->symptom(),
            $record->battery(),
            $profile->rails !== [],
            $run?->judgement,
            $lastReading !== null && $lastPart !== null && $lastPart->at > $lastReading->at,
            array_values($items->where('kind', 'hazard')->map(static fn (OpenItem $item): string => $item->text)->all()),
            array_values($items->where('kind', 'waiting')->map(static fn (OpenItem $item): array => [
                'for' => $item->text, 'asked' => $item->asked, 'since' => $item->since->format('j M Y'),
            ])->all()),
            $record->parts(),
            $record->leaps(),
            $outcome === null ? null : \Ash\Logbook\Outcome::tryFrom(Record::word($outcome, 'outcome')),
            $profile->threeSupplyChips(),
            new Allowance($job->minutes, $job->allowance_minutes, self::minutesSinceEvidence($job->id)),
        );
    }

    private static function minutesSinceEvidence(string $job): int
    {
        $last = Entry::query()->where('job_id', $job)->whereIn('kind', self::EVIDENCE)->max('at');

        return (int) Entry::query()->where('job_id', $job)->when($last !== null, static fn ($query) => $query->where('at', '>', $last))->sum('minutes');
    }
}
