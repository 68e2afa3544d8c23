<?php

declare(strict_types=1);

namespace App\Logbook;

use App\Http\Conflict;
use App\Http\Once;
use App\Http\Refused;
use App\People\Person;
use Ash\Document\InvalidDocument;
use Ash\Document\Node;
use Ash\Document\Ulid;
use Ash\Logbook\LogbookRoom as Core;
use Ash\Logbook\Profile;
use Ash\Logbook\Stage;
use Carbon\CarbonImmutable;
use Illuminate\Database\UniqueConstraintViolationException;
use Illuminate\Support\Facades\DB;

/**
 * A board's record comes in: all of it or nothing, with every fault named.
 *
 * What somebody else wrote may add to what came in before, and to nothing that was written here: a board or a job that is known is that one,
 * an unknown one is new; entries go only into jobs that came by import with the same head. Only the workshop's own export, known by its
 * signature, puts back what is missing in its own jobs. Every entry is read as strictly as one made here, is no later than a day from now,
 * corrects and ends only what this document brings along, and stands under the name that was written, marked as imported.
 */
final class ImportRecord
{
    private const FLAGS = JSON_THROW_ON_ERROR | JSON_PRETTY_PRINT | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_PRESERVE_ZERO_FRACTION;
    private const MOST_FAULTS = 50;

    /** @var array<string, Job> of the document, by id */
    private array $jobs = [];

    /** @var list<array{pointer: string, detail: string}> */
    private array $faults = [];

    private int $conflicts = 0;
    private Board $board;
    private Machine $machine;

    private function __construct(
        private readonly Node $node,
        private readonly Profile $profile,
        private readonly bool $own,
        private readonly Person $who,
        private readonly BroughtFiles $files,
    ) {
    }

    /**
     * @return array{Board, int} the board, and how many entries were new
     *
     * @throws InvalidDocument|Refused|Conflict
     */
    public static function from(string $json, Person $who, ?BroughtFiles $files = null): array
    {
        Schema::check($json, 'board-record');
        $node = Node::parse($json);
        $profile = House::here()->hall->profile($node->at('machine'));

        $files ??= new BroughtFiles(own: true);
        $import = new self($node, $profile, BoardRecord::isOwn($node->object()) && $files->own, $who, $files);
        foreach (BoardRecord::exchanges() as $exchange) {
            $import->tried(static fn () => $exchange->prepare($node, $files));
        }
        $import->end();
        $bring = static fn (): array => Once::transaction(static fn (): array => (clone $import)->bring());
        try {
            return $bring();
        } catch (UniqueConstraintViolationException) {
            // The same file came in beside this one: what it brought is there now.
            return $bring();
        }
    }

    /** @return array{Board, int} */
    private function bring(): array
    {
        $this->files->begin();
        $this->place();
        foreach ($this->node->at('jobs')->items() as $job) {
            $this->tried(fn () => $this->job($job));
        }
        $this->end();
        foreach (BoardRecord::exchanges() as $exchange) {
            $this->tried(fn () => $exchange->bring($this->node, $this->board, $this->jobs, $this->files));
        }
        $this->end();
        $new = 0;
        foreach ($this->node->at('entries')->items() as $entry) {
            $this->tried(function () use ($entry, &$new): void {
                $new += $this->entry($entry) ? 1 : 0;
            });
        }
        $this->end();
        $this->settle();
        $this->files->end();

        return [$this->board, $new];
    }

    /** A fault is kept, so that all of them can be told. */
    private function tried(\Closure $do): void
    {
        try {
            count($this->faults) < self::MOST_FAULTS && $do();
        } catch (InvalidDocument|Conflict $fault) {
            $this->conflicts += $fault instanceof Conflict ? 1 : 0;
            $this->faults[] = ['pointer' => $fault->pointer, 'detail' => $fault->detail];
        }
    }

    private function end(): void
    {
        if ($this->faults !== []) {
            throw new Refused($this->faults, $this->conflicts === count($this->faults) ? 409 : 422);
        }
    }

    /** The board that is known by its identifier is this one; another is a new specimen, in a machine of its own. */
    private function place(): void
    {
        $id = self::specimenId($this->node->at('board')->at('id'));
        $slot = $this->node->at('board')->at('slot');
        $known = Board::query()->find($id);
        if ($known !== null) {
            $known->slot === $slot->string() || DB::table('board_moves')->where('board_id', $known->id)->exists() || $slot->refuse(
                "is not where the board of this identifier sits: {$known->slot}",
            );
            [$this->board, $this->machine] = [$known, Machine::query()->findOrFail($known->machine_id)];

            return;
        }
        $in = $this->node->at('board')->optional('machine');
        $machine = $in === null ? null : self::specimenId($in);
        $known = $machine === null ? null : Machine::query()->find($machine);
        $this->machine = $known !== null && ($this->own || self::cameIn($known)) ? $known : $this->specimen($known === null ? $machine : null);
        $this->board = $this->named($id, $slot);
    }

    /** A machine of which nothing was written here: another board of it may come in. */
    private static function cameIn(Machine $machine): bool
    {
        $jobs = Job::query()->where('machine_id', $machine->id);

        return (clone $jobs)->where('imported', true)->exists() && (clone $jobs)->where('imported', false)->doesntExist();
    }

    /** Machines and boards get their identifiers here, in small letters. */
    private static function specimenId(Node $node): string
    {
        return strtolower(Ulid::read($node));
    }

    /** A machine that is not known here: of a kind that is described in the same words, or under a name of its own. */
    private function specimen(?string $id): Machine
    {
        $document = clone $this->node->at('machine')->object();
        $slug = $this->profile->slug;
        $same = Kind::query()->whereNull('merged_into')->where('slug', $slug)->first();
        if ($same !== null && Node::parse($same->profile)->object() == $document) {
            return SaveProfile::specimen($same, $this->profile, $same->name, TakeIn::free($slug), $id);
        }
        for ($n = 2; Kind::query()->where('slug', $document->slug)->exists(); ++$n) {
            $document->slug = mb_substr($slug, 0, 56)."-{$n}";
            $document->name = mb_substr($this->profile->name, 0, 110)." ({$n})";
        }

        return SaveProfile::asNew(json_encode($document, self::FLAGS), $this->who->name, $id);
    }

    /** The board of a slot takes the identifier that the document gives it, as long as nothing was ever written on it here. */
    private function named(string $id, Node $slot): Board
    {
        $board = Board::query()->where('machine_id', $this->machine->id)->where('slot', $slot->string())->first()
            ?? $slot->refuse('is not a board of this machine');
        if ($board->id === $id) {
            return $board;
        }
        foreach (['jobs', 'entries', 'runs', 'open_items'] as $table) {
            if (DB::table($table)->where('board_id', $board->id)->exists()) {
                throw Conflict::at($slot->pointer, 'the machine has another board there: the one of this record is not known here');
            }
        }
        DB::table('boards')->where('id', $board->id)->update(['id' => $id]);

        return Board::query()->findOrFail($id);
    }

    private function job(Node $node): void
    {
        $id = Ulid::read($node->at('id'));
        $slot = $node->at('board_slot');
        $board = Board::query()->where('machine_id', $this->machine->id)->where('slot', $slot->string())->first()
            ?? $slot->refuse('is not a board of this machine');
        $given = $node->optional('board');
        $board = $given === null || Board::query()->whereKey(self::specimenId($given))->exists() ? $board : $this->named(self::specimenId($given), $slot);
        $head = new Intake(
            id: $id,
            board: $board,
            title: $node->at('title')->text(160),
            owner: $node->at('owner')->text(160),
            at: CarbonImmutable::instance($node->at('opened_at')->instant()),
            allowanceMinutes: $node->at('allowance_minutes')->integer(1, 60_000),
        );
        self::notAhead($node->at('opened_at'), $head->at);
        $known = Job::query()->lockForUpdate()->find($id);
        if ($known === null) {
            $known = OpenJob::create($head, $this->machine);
            $known->imported = true;
            $known->save();
        } elseif ($known->board_id !== $board->id || $known->title !== $head->title || $known->owner !== $head->owner
            || $known->opened_at->format(Cards::TIME) !== $head->at->utc()->format(Cards::TIME)) {
            throw Conflict::at($node->at('id')->pointer, 'another job has this id');
        } elseif (!$known->imported && !$this->own) {
            // What was written here is not added to; a record that says nothing new about it may come along.
            $this->untouched($node, $id);
        }
        $this->jobs[$id] = $known;
    }

    private function untouched(Node $node, string $id): void
    {
        $there = Entry::query()->where('job_id', $id)->pluck('id')->flip();
        foreach ($this->node->at('entries')->items() as $entry) {
            if ($entry->at('job')->string() === $id && !$there->has(Ulid::read($entry->at('id')))) {
                throw Conflict::at($node->at('id')->pointer, 'is a job of this workshop: only its own export adds to it');
            }
        }
    }

    private static function notAhead(Node $at, CarbonImmutable $time): void
    {
        $time->greaterThan(now()->addDay()) && $at->refuse('lies more than a day ahead');
    }

    private function entry(Node $node): bool
    {
        $job = $this->jobs[Ulid::read($node->at('job'))] ?? $node->at('job')->refuse('is not a job of this document');
        $kind = $node->at('kind')->text(20);
        $at = CarbonImmutable::instance($node->at('at')->instant())->utc();
        self::notAhead($node->at('at'), $at);
        $entry = new Entry([
            'id' => Ulid::read($node->at('id')),
            'job_id' => $job->id,
            'board_id' => $this->board->id,
            'kind' => $kind,
            'stage' => $node->at('stage')->enum(Stage::class),
            'at' => $at,
            'person_id' => null,
            'author' => $node->at('author')->text(120),
            'minutes' => $node->at('minutes')->integer(0, 6000),
            'text' => $node->at('text')->string(),
            'data' => House::here()->hall->kinds->brought($kind, $node->at('data')),
            'corrects_id' => $node->at('corrects')->isNull() ? null : Ulid::read($node->at('corrects')),
            'fingerprint' => hash('sha256', (string) json_encode($node->object())),
            'received_at' => now(),
        ]);
        $known = Entry::query()->find($entry->id);
        if ($known !== null) {
            return self::same($known, $entry) ? false : throw Conflict::at($node->at('id')->pointer, 'another entry has this id');
        }
        $corrected = $this->corrected($node, $entry);
        $kind === Core::REOPENED && $job->state === 'open' && $node->at('kind')->refuse('the job is open already');
        $this->claims($node->at('data'));
        $entry->save();
        foreach (BoardRecord::exchanges() as $exchange) {
            $exchange->bringEntry($node, $entry, $this->board);
        }
        Followed::by($entry, $job, $corrected);

        return true;
    }

    /** The rules of Append for what an entry corrects; it lies in the same job. */
    private function corrected(Node $node, Entry $entry): ?Entry
    {
        if ($entry->corrects_id === null) {
            return null;
        }
        $at = $node->at('corrects');
        $corrected = Entry::query()->where('job_id', $entry->job_id)->find($entry->corrects_id) ?? $at->refuse('is not an entry of this job before this one');
        $entry->kind === Core::WITHDRAWN || $entry->kind === $corrected->kind || $node->at('kind')->refuse("corrects a {$corrected->kind}");
        $corrected->kind !== Core::WITHDRAWN || $at->refuse('that entry withdraws another');
        $entry->at->greaterThanOrEqualTo($corrected->at) || $node->at('at')->refuse('lies before the entry that it corrects');
        !Entry::query()->where('corrects_id', $corrected->id)->exists() || $at->refuse('is corrected already');

        return $corrected;
    }

    /** What an entry's data name (a hazard undone, a run, a photo, a test's text) belongs to a job of this document, or is not here at all. */
    private function claims(Node $data): void
    {
        if (is_string($data->raw()) && Ulid::isOne($data->raw())) {
            foreach (['entries', 'runs', 'photos', 'memory_sources'] as $table) {
                $job = DB::table($table)->where('id', $data->raw())->value('job_id');
                $job === null || isset($this->jobs[is_string($job) ? $job : '']) || $data->refuse('belongs to a job that is not of this document');
            }
        }
        foreach (is_array($data->raw()) ? $data->items() : ($data->raw() instanceof \stdClass ? $data->members() : []) as $inner) {
            $this->claims($inner);
        }
    }

    private static function same(Entry $one, Entry $other): bool
    {
        $facts = static fn (Entry $entry): array => [
            $entry->job_id, $entry->board_id, $entry->kind, $entry->stage, $entry->at->format(Cards::TIME), $entry->author, $entry->minutes, $entry->text,
            $entry->data, $entry->corrects_id,
        ];

        return $facts($one) == $facts($other);
    }

    private function settle(): void
    {
        foreach ($this->jobs as $job) {
            $job->sheet = SheetDocument::of(Gathered::sheet($job, $job->profile()));
            $job->save();
        }
    }
}
