<?php

declare(strict_types=1);

namespace App\Logbook;

use App\Memory\CompleteMemory;
use App\Rails\RunState;
use Ash\Logbook\Allowance;
use Ash\Logbook\EntryKind;
use Ash\Logbook\EntryWords;
use Ash\Logbook\JobFacts;
use Ash\Logbook\Profile;
use Ash\Memory\MemoryStanding;

/** Gathers from the record what the core's rules about a job want to know. */
final readonly class ReadFacts
{
    private const EVIDENCE = [EntryKind::Symptom, EntryKind::Reading, EntryKind::Observation, EntryKind::Part, EntryKind::Memory, EntryKind::Soak];

    public static function of(Job $job, Profile $profile): JobFacts
    {
        $record = Record::of($job->id);
        $run = RunState::latest($job->id, $profile, $record);
        $items = OpenItem::query()->where('job_id', $job->id)->where('open', true)->orderBy('since')->orderBy('id')->get();
        $lastReading = $run?->readings->last();
        $lastPart = $record->kind(EntryKind::Part)->last();
        $outcome = $record->outcome();
        [$memory, $soak] = self::memory($job);

        return new JobFacts(
            $job->stage,
            $record->symptom(),
            $record->battery(),
            $profile->rails !== [],
            $run?->judgement,
            $lastReading !== null && $lastPart !== null && $lastPart->at > $lastReading->at,
            array_values($items->where('kind', 'hazard')->map(static fn (OpenItem $item): string => $item->text)->all()),
            array_values($items->where('kind', 'waiting')->map(static fn (OpenItem $item): array => [
                'for' => $item->text, 'asked' => $item->asked, 'since' => $item->since->format('j M Y'), 'ready' => $item->ready,
            ])->all()),
            $record->parts(),
            $record->leaps(),
            $outcome === null ? null : \Ash\Logbook\Outcome::tryFrom(Record::word($outcome, 'outcome')),
            $profile->threeSupplyChips(),
            new Allowance($job->minutes, $job->allowance_minutes, self::minutesSinceEvidence($job->id)),
            $profile->biasedChips(),
            $memory->suspect,
            $memory->why,
            $memory->next,
            $soak,
        );
    }

    /** @return array{MemoryStanding, ?string} */
    private static function memory(Job $job): array
    {
        $done = $run = $soak = null;
        foreach (CompleteMemory::standing($job, EntryKind::Memory, EntryKind::Swap, EntryKind::Part, EntryKind::Soak)->limit(40)->get() as $entry) {
            $soak ??= $entry->kind === EntryKind::Soak && $done === null ? EntryWords::of($entry->kind, '', $entry->data) : null;
            if ($entry->kind === EntryKind::Memory) {
                $run = $entry;
                break;
            }
            $done ??= match ($entry->kind) {
                EntryKind::Swap => 'swap',
                EntryKind::Part => 'part',
                default => null,
            };
        }

        return [MemoryStanding::of($run?->data, $done), $soak];
    }

    private static function minutesSinceEvidence(string $job): int
    {
        $last = Entry::query()->where('job_id', $job)->whereIn('kind', self::EVIDENCE)->max('at');

        return (int) Entry::query()->where('job_id', $job)->when($last !== null, static fn ($query) => $query->where('at', '>', $last))->sum('minutes');
    }
}
