<?php

declare(strict_types=1);

namespace App\Logbook;

use App\Batteries\CompleteBattery;
use App\Capacitors\CompleteCapacitor;
use App\Corrosion\CompleteContinuity;
use App\Http\Conflict;
use App\Memory\CompleteMemory;
use App\People\Person;
use App\Rails\RecordReading;
use App\Rails\StoredReading;
use App\Shelf\Shelf;
use Ash\Document\InvalidDocument;
use Ash\Logbook\CloseRule;
use Ash\Logbook\EntryDraft;
use Ash\Logbook\EntryKind;
use Ash\Logbook\Gate;
use Ash\Logbook\GateState;
use Ash\Logbook\JobSheet;
use Ash\Logbook\Outcome;
use Ash\Logbook\Profile;
use Ash\Logbook\Stage;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;

/**
 * The one way into the record: an entry and everything that follows from it, in one transaction.
 * The job's row is locked, so that two entries of one job come one after the other and the rules see both.
 */
final readonly class Append
{
    private const TRIES = 3;

    /** @return array{Entry, bool} the entry, and whether it is new; the same entry sent again is the same entry */
    public static function to(string $jobId, EntryDraft $draft, Person $who): array
    {
        return DB::transaction(static function () use ($jobId, $draft, $who): array {
            $job = Job::query()->lockForUpdate()->findOrFail($jobId);
            $fingerprint = self::fingerprint($jobId, $draft);
            $known = Entry::query()->find($draft->id);
            if ($known !== null) {
                return $known->fingerprint === $fingerprint ? [$known, false] : throw Conflict::at('/id', 'another entry has this id');
            }

            return [(new self($job, self::profile($job), $who))->add($draft, $fingerprint), true];
        }, self::TRIES);
    }

    private function __construct(private Job $job, private Profile $profile, private Person $who)
    {
    }

    private static function profile(Job $job): Profile
    {
        return Machine::query()->findOrFail($job->machine_id)->readProfile();
    }

    private static function fingerprint(string $jobId, EntryDraft $draft): string
    {
        return hash('sha256', json_encode([$jobId, $draft], JSON_THROW_ON_ERROR));
    }

    private function add(EntryDraft $draft, string $fingerprint): Entry
    {
        $corrected = $this->corrected($draft);
        $this->mayAdd($draft, $corrected);
        [$data, $row] = $this->complete($draft);
        $entry = Entry::query()->create([
            'id' => $draft->id,
            'job_id' => $this->job->id,
            'board_id' => $this->board($draft, $corrected, $row),
            'kind' => $draft->kind,
            'stage' => $draft->stage ?? $corrected->stage ?? $this->job->stage,
            'at' => CarbonImmutable::instance($draft->at)->utc(),
            'person_id' => $this->who->id,
            'author' => $this->who->name,
            'minutes' => $draft->minutes,
            'text' => $draft->text,
            'data' => $data,
            'corrects_id' => $draft->corrects,
            'fingerprint' => $fingerprint,
            'received_at' => now(),
        ]);
        if ($row !== null) {
            StoredReading::query()->create([...$row, 'entry_id' => $entry->id, 'at' => $entry->at]);
        }
        Projection::follow($this->job, $entry, $corrected);
        if ($entry->kind === EntryKind::Part && isset($entry->data['kept_at']) && $corrected === null) {
            Shelf::keep($entry, $this->who->name);
        }
        if ($entry->kind === EntryKind::Strip) {
            LearnConnectors::from($entry, $this->job);
        }
        $this->job->sheet = SheetDocument::of(JobSheet::of(ReadFacts::of($this->job, $this->profile)));
        $this->job->save();

        return $entry;
    }

    private function corrected(EntryDraft $draft): ?Entry
    {
        if ($draft->corrects === null) {
            return null;
        }
        $corrected = Entry::query()->where('job_id', $this->job->id)->find($draft->corrects)
            ?? throw InvalidDocument::at('/corrects', 'is not an entry of this job');
        if ($draft->kind !== EntryKind::Withdrawn && $corrected->kind !== $draft->kind) {
            throw InvalidDocument::at('/kind', "corrects a {$corrected->kind->value}: must be a {$corrected->kind->value} or withdrawn");
        }
        if ($corrected->kind === EntryKind::Withdrawn) {
            throw InvalidDocument::at('/corrects', 'that entry withdraws another: write a new one instead');
        }
        if (Entry::query()->where('corrects_id', $corrected->id)->exists()) {
            throw InvalidDocument::at('/corrects', 'is corrected already: correct the later entry');
        }

        return $corrected;
    }

    private function mayAdd(EntryDraft $draft, ?Entry $corrected): void
    {
        if (CarbonImmutable::instance($draft->at)->greaterThan(now()->addDay())) {
            throw InvalidDocument::at('/at', 'lies more than a day ahead: check the clock of this device');
        }
        if ($corrected !== null && CarbonImmutable::instance($draft->at)->lessThan($corrected->at)) {
            throw InvalidDocument::at('/at', 'lies before the entry that it corrects');
        }
        if ($this->job->state === 'open' ? $draft->kind === EntryKind::Reopened : ($draft->kind !== EntryKind::Reopened && $corrected === null)) {
            throw InvalidDocument::at('/kind', $this->job->state === 'open' ? 'the job is open already' : "the job is {$this->job->state}: reopen it first, or correct an entry");
        }
        $to = $draft->kind === EntryKind::Stage && is_string($draft->data['to'] ?? null) ? Stage::from($draft->data['to']) : $draft->stage;
        if ($to !== null && $to->powered() && $draft->kind !== EntryKind::Gate && $to !== $corrected?->stage) {
            $this->gates($draft->kind === EntryKind::Stage ? '/data/to' : '/stage', $to);
        }
        if ($draft->kind === EntryKind::Outcome) {
            $this->close($draft);
        }
    }

    private function gates(string $pointer, Stage $to): void
    {
        foreach (JobSheet::gates(ReadFacts::of($this->job, $this->profile)) as $gate) {
            if ($gate->closed()) {
                throw InvalidDocument::at($pointer, "{$gate->gate->words()} is closed before {$to->words()}: {$gate->why[0]}. Record a reason to go on anyway");
            }
        }
    }

    private function close(EntryDraft $draft): void
    {
        /** @var array{outcome: string, handed_back: bool, limits?: list<string>, waiting_for?: string} $data */
        $data = $draft->data;
        // A hazard stays on the board's record until it is undone, also when another job left it there.
        $hazards = OpenItem::query()->where('open', true)->where('kind', 'hazard')
            ->where(fn ($query) => $query->where('job_id', $this->job->id)->orWhereIn('board_id', Board::query()->select('id')->where('machine_id', $this->job->machine_id)))
            ->orderBy('since')->pluck('text')->all();
        CloseRule::check(Outcome::from($data['outcome']), $data['handed_back'], $data['limits'] ?? [], $data['waiting_for'] ?? null, array_values($hazards), Rebuild::of($this->job)->open());
    }

    /** @return array{array<string, mixed>, array<string, mixed>|null} data with what the record knows, and a reading's numbers */
    private function complete(EntryDraft $draft): array
    {
        if ($draft->kind === EntryKind::Reading) {
            return RecordReading::judge($this->job->id, $draft->data, $this->profile, Record::of($this->job->id)->bands());
        }
        if ($draft->kind === EntryKind::Undone || $draft->kind === EntryKind::Arrived) {
            $field = $draft->kind === EntryKind::Undone ? 'hazard' : 'waiting';
            $item = $this->openItem($draft, $field);

            return [[$field => $item->id, 'what' => $item->text], null];
        }
        if ($draft->kind === EntryKind::Gate) {
            return [[...$draft->data, 'level' => $this->gate($draft)->level->value], null];
        }
        if ($draft->kind === EntryKind::Decision && is_string($draft->data['rail'] ?? null) && $this->profile->rail($draft->data['rail']) === null) {
            throw InvalidDocument::at('/data/rail', "the machine's profile has no rail \"{$draft->data['rail']}\"");
        }

        return [match ($draft->kind) {
            EntryKind::Battery => CompleteBattery::note($this->job, $draft->data),
            EntryKind::ClockRead => CompleteBattery::clock($this->job, $draft->data),
            EntryKind::Continuity => CompleteContinuity::judge($this->job, $draft->data),
            EntryKind::Capacitor => CompleteCapacitor::found($this->job, $draft->data),
            EntryKind::CapReading => CompleteCapacitor::reading($this->job, $draft->data),
            EntryKind::Rework => CompleteCapacitor::rework($this->job, $draft->data),
            EntryKind::Part => $this->part($draft),
            EntryKind::Memory => CompleteMemory::run($this->job, $draft->data),
            EntryKind::Swap => CompleteMemory::swap($this->job, $draft->data),
            EntryKind::Soak => CompleteMemory::soak($this->job, $draft->data),
            EntryKind::DateCodes => CompleteMemory::dateCodes($this->job, $draft->data),
            EntryKind::Rebuilt => Rebuild::complete($this->job, $draft->data, $draft->corrects),
            EntryKind::Photo, EntryKind::Pin => Photo::complete($this->job, $draft->kind, $draft->data),
            default => $draft->data,
        }, null];
    }

    /**
     * A part from the shelf leaves it with the entry, or the entry is not made.
     *
     * @return array<string, mixed>
     */
    private function part(EntryDraft $draft): array
    {
        if ($draft->corrects !== null) {
            Shelf::giveBack($draft->corrects, $this->who->name);
        }
        $item = isset($draft->data['shelf']) ? Shelf::use($this->job, $draft->id, $draft->data, $this->who->name) : null;
        CompleteCapacitor::part($this->job, $draft->data, $item);

        return [...$draft->data, ...($item === null ? [] : [
            'sku' => $item->sku, 'source' => $draft->data['source'] ?? "shelf, {$item->place}", ...($item->part() === null ? [] : ['fitted' => $item->part()]),
        ])];
    }

    private function gate(EntryDraft $draft): GateState
    {
        $wanted = Gate::from(is_string($draft->data['gate'] ?? null) ? $draft->data['gate'] : '');
        foreach (JobSheet::gates(ReadFacts::of($this->job, $this->profile)) as $gate) {
            if ($gate->gate === $wanted && $gate->closed()) {
                return $gate;
            }
        }
        throw InvalidDocument::at('/data/gate', 'this gate is not closed: there is nothing to go past');
    }

    private function openItem(EntryDraft $draft, string $field): OpenItem
    {
        $kind = $field === 'hazard' ? 'hazard' : 'waiting';
        $items = OpenItem::query()->where('kind', $kind)->where('open', true)
            ->where(fn ($query) => $query->where('job_id', $this->job->id)->orWhereIn('board_id', Board::query()->select('id')->where('machine_id', $this->job->machine_id)))
            ->get();
        if ($draft->match === null) {
            return $items->firstWhere('id', $draft->data[$field] ?? '') ?? throw InvalidDocument::at("/data/{$field}", "is not an open {$kind} of this job");
        }
        $found = $items->filter(static fn (OpenItem $item): bool => mb_stripos($item->text, $draft->match) !== false)->values();
        $open = $items->map(static fn (OpenItem $item): string => "\"{$item->text}\"")->implode(', ');

        return $found->count() === 1 ? $found->firstOrFail() : throw InvalidDocument::at('/line', match (true) {
            $items->isEmpty() => "no {$kind} is open",
            $found->isEmpty() => "none of the open ones has \"{$draft->match}\" in it: {$open}",
            default => "\"{$draft->match}\" fits more than one: {$open}",
        });
    }

    /** @param array<string, mixed>|null $row */
    private function board(EntryDraft $draft, ?Entry $corrected, ?array $row): ?string
    {
        if ($row !== null) {
            return is_string($row['board_id']) ? $row['board_id'] : null;
        }
        if ($draft->board === null) {
            return $corrected->board_id ?? $this->job->board_id;
        }

        return Board::query()->where('machine_id', $this->job->machine_id)->where('id', $draft->board)->exists()
            ? $draft->board
            : throw InvalidDocument::at('/board', 'is not a board of this machine');
    }
}
