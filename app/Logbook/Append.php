<?php

declare(strict_types=1);

namespace App\Logbook;

use App\Http\Conflict;
use App\Http\Once;
use App\People\Person;
use Ash\Document\InvalidDocument;
use Ash\Document\Node;
use Ash\Logbook\CloseRule;
use Ash\Logbook\Entries\JobClosed;
use Ash\Logbook\Entries\StageEntered;
use Ash\Logbook\EntryData;
use Ash\Logbook\EntryDraft;
use Ash\Logbook\LogbookRoom as Core;
use Ash\Logbook\Profile;
use Ash\Logbook\Stage;
use Ash\Logbook\StageFollows;
use Ash\Logbook\Unproven;
use Carbon\CarbonImmutable;
use Symfony\Component\Uid\Ulid;

/**
 * The one way into the record: an entry and everything that follows from it, in one transaction.
 * The job's row is locked, so that two entries of one job come one after the other and the rules see both.
 */
final readonly class Append
{
    /**
     * @param ?Profile $profile  when the caller has just read it
     * @param object   ...$found what the caller has found already, and a room would look for (Taking::once)
     *
     * @return array{Entry, bool} the entry, and whether it is new; the same entry sent again is the same entry
     */
    public static function to(string $jobId, EntryDraft $draft, Person $who, ?Profile $profile = null, object ...$found): array
    {
        return Once::transaction(
            static fn (): array => StandingOfJob::here()->during($jobId, static function () use ($jobId, $draft, $who, $profile, $found): array {
                $job = Job::query()->lockForUpdate()->findOrFail($jobId);
                $known = Entry::query()->find($draft->id);
                if ($known !== null) {
                    return Fingerprint::same($known, $jobId, $draft) ? [$known, false] : throw Conflict::at('/id', 'another entry has this id');
                }

                $entry = (new self($job, $profile ?? $job->profile(), $who, array_values($found)))->add($draft);
                for ($also = $draft->also; $also !== null; $also = $also->also) {
                    (new self($job, $job->profile(), $who))->add($also);
                }

                return [$entry, true];
            }),
        );
    }

    /** @param list<object> $found */
    private function __construct(private Job $job, private Profile $profile, private Person $who, private array $found = [])
    {
    }

    private function add(EntryDraft $draft): Entry
    {
        $corrected = $this->corrected($draft);
        $this->mayAdd($draft, $corrected);
        $at = new Taking($this->job, $this->profile, $this->who, $draft, found: $this->found);
        $data = $draft->data;
        foreach (House::here()->rooms as $room) {
            $data = $room->complete($data, $at);
        }
        $entry = Entry::query()->create([
            'id' => $draft->id,
            'job_id' => $this->job->id,
            'board_id' => $this->board($at, $data, $corrected),
            'kind' => $draft->kind->name,
            'stage' => $this->stage($draft, $corrected),
            'at' => CarbonImmutable::instance($draft->at)->utc(),
            'person_id' => $this->who->id,
            'author' => $this->who->name,
            'minutes' => $draft->minutes,
            'text' => $draft->text,
            'data' => $data,
            'corrects_id' => $draft->corrects,
            'fingerprint' => Fingerprint::of($this->job->id, $draft),
            'received_at' => now(),
        ]);
        foreach (House::here()->rooms as $room) {
            $room->taken($entry, $at);
        }
        Followed::by($entry, $this->job, $corrected);
        Learned::from($entry, $this->job);
        $corrected === null && $this->stageFollows($entry, $draft);
        ++$this->job->version;
        $this->job->sheet = SheetDocument::of(Gathered::sheet($this->job, $this->profile));
        $this->job->save();

        return $entry;
    }

    /** The stage goes where the work is, as an entry of its own that says so. */
    private function stageFollows(Entry $entry, EntryDraft $draft): void
    {
        $to = $this->job->state !== 'open' ? null : StageFollows::to($this->job->stage, $draft->kind, SheetDocument::closed($this->job->sheet));
        if ($to === null) {
            return;
        }
        $stage = House::here()->hall->draft(Node::of((object) [
            'id' => Ulid::generate(), 'at' => $entry->at->format(Cards::EXACT), 'kind' => StageEntered::KIND, 'data' => (object) ['to' => $to->value],
            'text' => "Follows the work: {$draft->kind->words}",
        ]));
        $followed = Entry::query()->create([
            'id' => $stage->id, 'job_id' => $this->job->id, 'board_id' => $entry->board_id, 'kind' => StageEntered::KIND, 'stage' => $to, 'at' => $entry->at,
            'person_id' => $this->who->id, 'author' => $this->who->name, 'minutes' => 0, 'text' => $stage->text, 'data' => $stage->data, 'corrects_id' => null,
            'fingerprint' => Fingerprint::of($this->job->id, $stage), 'received_at' => now(),
        ]);
        Followed::by($followed, $this->job, null);
    }

    private function corrected(EntryDraft $draft): ?Entry
    {
        if ($draft->corrects === null) {
            return null;
        }
        $corrected = Entry::query()->where('job_id', $this->job->id)->find($draft->corrects)
            ?? throw InvalidDocument::at('/corrects', 'is not an entry of this job');
        if ($draft->kind->name !== Core::WITHDRAWN && $corrected->kind !== $draft->kind->name) {
            throw InvalidDocument::at('/kind', "corrects a {$corrected->kind}: must be a {$corrected->kind} or withdrawn");
        }
        if ($corrected->kind === Core::WITHDRAWN) {
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
        $reopens = $draft->kind->name === Core::REOPENED;
        if ($this->job->state === 'open' ? $reopens : (!$reopens && $corrected === null)) {
            throw InvalidDocument::at('/kind', $reopens ? 'the job is open already' : "the job is {$this->job->state}: reopen it first, or correct an entry");
        }
        $this->gates($draft, $corrected);
        $draft->data instanceof JobClosed && $this->close($draft->data);
    }

    /** The stage is opened by hand: not through a closed gate. */
    private function gates(EntryDraft $draft, ?Entry $corrected): void
    {
        $to = $draft->data instanceof StageEntered ? $draft->data->to : null;
        if ($to === null || !$to->powered() || $to === $corrected?->stage) {
            return;
        }
        foreach (Gathered::sheet($this->job, $this->profile)->gates as $gate) {
            if ($gate->closed()) {
                throw InvalidDocument::at(
                    '/data/to',
                    "{$gate->gate->words()} is closed before {$to->words()}: {$gate->why[0]}. Record a reason to go on anyway",
                );
            }
        }
    }

    /** Work that belongs behind a closed gate is kept all the same, at the stage where the job stands. */
    private function stage(EntryDraft $draft, ?Entry $corrected): Stage
    {
        $said = $draft->stage ?? $corrected->stage ?? $this->job->stage;
        $held = $said->powered() && $said !== $corrected?->stage && SheetDocument::closed($this->job->sheet);

        return $held ? $this->job->stage : $said;
    }

    private function close(JobClosed $data): void
    {
        // A hazard stays on the board's record until it is undone, also when another job left it there.
        $hazards = OpenItem::query()->where('open', true)->where('kind', Core::HAZARD)->where($this->job->ours(...))->orderBy('since')->pluck('text')->all();
        CloseRule::check($data, array_values($hazards), self::unproven($this->job, $this->profile));
    }

    /** @return list<Unproven> what stands between the board and the claim that it is fixed */
    public static function unproven(Job $job, Profile $profile): array
    {
        return [
            ...Gathered::sheet($job, $profile)->unproven,
            ...array_map(static fn (string $it): Unproven => new Unproven("not rebuilt: {$it}", 'line'), Rebuild::of($job)->open()),
        ];
    }

    private function board(Taking $at, EntryData $data, ?Entry $corrected): string
    {
        $draft = $at->draft;
        foreach (House::here()->rooms as $room) {
            $board = $room->boardOf($data, $at);
            if ($board !== null) {
                return $board;
            }
        }
        if ($draft->board === null) {
            return $corrected->board_id ?? $this->job->board_id;
        }

        return Board::query()->where('machine_id', $this->job->machine_id)->where('id', $draft->board)->exists()
            ? $draft->board
            : throw InvalidDocument::at('/board', 'is not a board of this machine');
    }
}
