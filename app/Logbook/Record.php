<?php

declare(strict_types=1);

namespace App\Logbook;

use Ash\Logbook\BatteryState;
use Ash\Logbook\EntryKind;
use Ash\Logbook\EntryWords;
use Ash\Rails\Band;
use Ash\Rails\PowerOn;
use Illuminate\Support\Collection;

/** The entries of a job that decide something, less those that a later one corrects. */
final readonly class Record
{
    private const DECIDING = [
        EntryKind::Symptom, EntryKind::Part, EntryKind::Decision, EntryKind::Battery, EntryKind::Gate, EntryKind::Stage, EntryKind::Outcome, EntryKind::Reopened,
    ];

    /** @param Collection<int, Entry> $entries in time order */
    private function __construct(private Collection $entries)
    {
    }

    public static function of(string $jobId): self
    {
        return new self(Entry::query()->where('job_id', $jobId)->whereIn('kind', self::DECIDING)
            ->whereNotExists(static fn ($query) => $query->from('entries as later')->whereColumn('later.corrects_id', 'entries.id'))
            ->orderBy('at')->orderBy('id')->get());
    }

    /** @return Collection<int, Entry> */
    public function kind(EntryKind $kind): Collection
    {
        return $this->entries->filter(static fn (Entry $entry): bool => $entry->kind === $kind)->values();
    }

    public function symptom(): ?string
    {
        return $this->kind(EntryKind::Symptom)->last()?->text;
    }

    public function battery(): ?BatteryState
    {
        return BatteryState::tryFrom(self::word($this->kind(EntryKind::Battery)->last(), 'state'));
    }

    /** @return list<string> */
    public function parts(): array
    {
        return array_values($this->kind(EntryKind::Part)->map(static fn (Entry $entry): string => EntryWords::part($entry->data))->all());
    }

    /** The outcome that stands: none when the job was reopened after it. */
    public function outcome(): ?Entry
    {
        $last = $this->entries->filter(static fn (Entry $entry): bool => in_array($entry->kind, [EntryKind::Outcome, EntryKind::Reopened], true))
            ->sortBy([['received_at', 'asc'], ['id', 'asc']])->last();

        return $last?->kind === EntryKind::Outcome ? $last : null;
    }

    public function stage(): ?string
    {
        return self::word($this->kind(EntryKind::Stage)->last(), 'to') ?: null;
    }

    /** @return array<string, array{band: Band, reason: string}> the band chosen per rail */
    public function bands(): array
    {
        $bands = [];
        foreach ($this->kind(EntryKind::Decision) as $entry) {
            $band = Band::tryFrom(self::word($entry, 'band'));
            if ($band !== null) {
                $bands[self::word($entry, 'rail')] = ['band' => $band, 'reason' => self::word($entry, 'reason')];
            }
        }

        return $bands;
    }

    /** @return array<string, array{level: PowerOn, reason: string}> */
    public function leaps(): array
    {
        $leaps = [];
        foreach ($this->kind(EntryKind::Gate) as $entry) {
            $leaps[self::word($entry, 'gate')] = [
                'level' => PowerOn::tryFrom(self::word($entry, 'level')) ?? PowerOn::Hold,
                'reason' => self::word($entry, 'reason'),
            ];
        }

        return $leaps;
    }

    public static function word(?Entry $entry, string $key): string
    {
        $value = $entry->data[$key] ?? null;

        return is_string($value) ? $value : '';
    }
}
