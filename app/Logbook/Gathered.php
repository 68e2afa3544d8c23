<?php

declare(strict_types=1);

namespace App\Logbook;

use Ash\Facts\BandChosen;
use Ash\Facts\Facts;
use Ash\Facts\OpenThing;
use Ash\Facts\PartsReplaced;
use Ash\Facts\PowerOn;
use Ash\Logbook\Allowance;
use Ash\Logbook\ColdChecksMade;
use Ash\Logbook\Entries\ColdChecked;
use Ash\Logbook\Entries\Decision;
use Ash\Logbook\Entries\GatePassed;
use Ash\Logbook\Entries\JobClosed;
use Ash\Logbook\Entries\PartReplaced;
use Ash\Logbook\Entries\StageEntered;
use Ash\Logbook\JobSheet;
use Ash\Logbook\Leap;
use Ash\Logbook\LogbookRoom as Core;
use Ash\Logbook\Profile;
use Ash\Logbook\Situation;
use Ash\Logbook\Stage;
use Illuminate\Support\Collection;

/** What the record says of a job for the rules that read it. */
final readonly class Gathered
{
    /** Entries of the hall's own that decide something. */
    public const DECIDING = [
        Core::SYMPTOM,
        PartReplaced::KIND,
        Decision::KIND,
        ColdChecked::KIND,
        GatePassed::KIND,
        StageEntered::KIND,
        JobClosed::KIND,
        Core::REOPENED,
        Core::VOIDED,
    ];

    /** @param Collection<int, Entry> $entries that stand, in time order */
    private function __construct(private Collection $entries)
    {
    }

    public static function of(string $jobId): self
    {
        return new self(StandingOfJob::here()->of($jobId, ...self::DECIDING));
    }

    public static function sheet(Job $job, Profile $profile): JobSheet
    {
        return House::here()->hall->sheet(self::of($job->id)->situation($job, $profile));
    }

    /** What all rooms know of a job's board. */
    public static function facts(Job $job, Profile $profile): Facts
    {
        return self::of($job->id)->known($job, $profile);
    }

    /** Only what the hall itself has read: bands, parts, cold checks. */
    public function own(): Facts
    {
        $parts = $this->kind(PartReplaced::KIND);
        $last = $parts->last();
        $bands = [];
        foreach ($this->entries as $entry) {
            $it = $entry->as(Decision::class);
            if ($it?->rail !== null && $it->band !== null) {
                $bands[] = new BandChosen($it->rail, $it->band, $it->reason);
            }
        }
        $wrong = [];
        foreach ($this->kind(ColdChecked::KIND) as $entry) {
            $it = $entry->as(ColdChecked::class);
            if ($it !== null) {
                $wrong[$it->check->value] = $it->wrong;
            }
        }
        $replaced = array_values($parts->map(static fn (Entry $entry): string => $entry->data->sentence(''))->all());

        return new Facts(
            ...$bands,
            ...($wrong === [] ? [] : [new ColdChecksMade($wrong)]),
            ...($last === null || $replaced === [] ? [] : [new PartsReplaced($replaced, $last->at)]),
        );
    }

    public function symptom(): ?string
    {
        return $this->kind(Core::SYMPTOM)->last()?->text;
    }

    /** The outcome that stands: none when the job was reopened after it. */
    public function outcome(): ?Entry
    {
        $last = $this->ending();

        return $last?->kind === JobClosed::KIND ? $last : null;
    }

    /** Somebody said that the machine was never to be taken in: the job stays in the record and is in no list. */
    public function voided(): bool
    {
        return $this->ending()?->kind === Core::VOIDED;
    }

    private function ending(): ?Entry
    {
        return $this->entries->filter(static fn (Entry $entry): bool => in_array($entry->kind, [JobClosed::KIND, Core::REOPENED, Core::VOIDED], true))
            ->sortBy([['received_at', 'asc'], ['id', 'asc']])->last();
    }

    public function stage(): ?Stage
    {
        return $this->kind(StageEntered::KIND)->last()?->as(StageEntered::class)?->to;
    }

    /** @return Collection<int, Entry> */
    private function kind(string $kind): Collection
    {
        return $this->entries->filter(static fn (Entry $entry): bool => $entry->kind === $kind)->values();
    }

    private function situation(Job $job, Profile $profile): Situation
    {
        return new Situation(
            stage: $job->stage,
            profile: $profile,
            facts: $this->known($job, $profile),
            allowance: new Allowance($job->minutes, $job->allowance_minutes, $job->idle_minutes),
            symptom: $this->symptom(),
            leaps: $this->leaps(),
            outcome: $this->outcome()?->as(JobClosed::class)?->outcome,
        );
    }

    private function known(Job $job, Profile $profile): Facts
    {
        $items = OpenItem::query()->where('job_id', $job->id)->where('open', true)->orderBy('since')->orderBy('id')->get();
        $known = $this->own()->and(...array_values($items->map(static fn (OpenItem $item): OpenThing => $item->fact())->all()));
        foreach (House::here()->rooms as $room) {
            $known = $known->and(...$room->facts($job, $profile, $known));
        }

        return $known;
    }

    /** @return array<string, Leap> by gate, the latest */
    private function leaps(): array
    {
        $leaps = [];
        foreach ($this->entries as $entry) {
            $it = $entry->as(GatePassed::class);
            if ($it !== null) {
                $leaps[$it->gate->value] = new Leap($it->level ?? PowerOn::Hold, $it->reason);
            }
        }

        return $leaps;
    }
}
