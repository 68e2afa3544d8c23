<?php

declare(strict_types=1);

namespace App\Logbook;

use App\Http\Conflict;
use Ash\Document\InvalidDocument;
use Ash\Document\Node;
use Ash\Document\Ulid;
use Ash\Logbook\Profile;
use Ash\Logbook\Stage;
use Carbon\CarbonImmutable;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;

/**
 * A board's record as one JSON document, out and in. What comes in has been exported before: identifiers,
 * authors, times and verdicts stay as they were. An entry that is there already must be the same one.
 */
final readonly class BoardRecord
{
    public const FORMAT = 'ash-bench/board-record/1';
    private const FLAGS = JSON_THROW_ON_ERROR | JSON_PRETTY_PRINT | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_PRESERVE_ZERO_FRACTION;

    public static function export(Board $board): string
    {
        $machine = Machine::query()->findOrFail($board->machine_id);
        $entries = Entry::query()->where('board_id', $board->id)->orderBy('at')->orderByRaw('corrects_id IS NOT NULL')->orderBy('id')->get();
        $jobs = Job::query()->where('board_id', $board->id)->orWhereIn('id', $entries->pluck('job_id')->unique())->orderBy('opened_at')->orderBy('id')->get();

        return json_encode([
            'format' => self::FORMAT,
            'machine' => Node::parse($machine->profile)->object(),
            'board' => ['id' => $board->id, 'slot' => $board->slot],
            'jobs' => $jobs->map(static fn (Job $job): array => [
                'id' => $job->id, 'board_slot' => Board::query()->findOrFail($job->board_id)->slot, 'title' => $job->title, 'owner' => $job->owner,
                'allowance_minutes' => $job->allowance_minutes, 'opened_at' => $job->opened_at->format(Cards::TIME),
            ])->all(),
            ...self::parts($board),
            'entries' => self::entries($board, $entries),
        ], self::FLAGS)."\n";
    }

    /** @return array<string, mixed> what the rooms put beside the entries */
    private static function parts(Board $board): array
    {
        return array_merge(...array_map(static fn (Exchange $it): array => $it->document($board), self::exchanges()));
    }

    /**
     * @param Collection<int, Entry> $entries
     *
     * @return list<array<string, mixed>>
     */
    private static function entries(Board $board, Collection $entries): array
    {
        $more = array_map(static fn (Exchange $it): array => $it->entries($board, $entries), self::exchanges());

        return array_values($entries->map(static fn (Entry $entry): array => array_merge([
            'id' => $entry->id, 'job' => $entry->job_id, 'kind' => $entry->kind, 'stage' => $entry->stage->value, 'at' => $entry->at->format(Cards::TIME),
            'author' => $entry->author, 'minutes' => $entry->minutes, 'text' => $entry->text, 'data' => $entry->stored(),
            'corrects' => $entry->corrects_id,
        ], ...array_map(static fn (array $of): array => $of[$entry->id] ?? [], $more)))->all());
    }

    /** @return list<Exchange> */
    private static function exchanges(): array
    {
        return array_values(array_filter(array_map(static fn (Room $room): ?Exchange => $room->exchange(), House::here()->rooms)));
    }

    /** @return array{Board, int} the board, and how many entries were new */
    public static function import(string $json): array
    {
        Schema::check($json, 'board-record');
        $node = Node::parse($json);
        $profile = House::here()->hall->profile($node->at('machine'));

        return DB::transaction(static fn (): array => (new self($node, $profile))->bring());
    }

    private function __construct(private Node $node, private Profile $profile)
    {
    }

    /** @return array{Board, int} */
    private function bring(): array
    {
        $machine = Machine::query()->where('slug', $this->profile->slug)->first()
            ?? SaveProfile::asNew(json_encode($this->node->at('machine')->object(), self::FLAGS), 'import');
        $slot = $this->node->at('board')->at('slot');
        $board = Board::query()->where('machine_id', $machine->id)->where('slot', $slot->string())->first() ?? $slot->refuse('is not a board of this machine');
        $touched = $this->jobs($machine);
        foreach (self::exchanges() as $exchange) {
            $exchange->bring($this->node, $board, $touched);
        }
        $new = 0;
        foreach ($this->node->at('entries')->items() as $entry) {
            $new += $this->take($entry, $board, $touched) ? 1 : 0;
        }
        $this->settle($touched, $machine);

        return [$board, $new];
    }

    /** @return array<string, Job> by id */
    private function jobs(Machine $machine): array
    {
        $jobs = [];
        foreach ($this->node->at('jobs')->items() as $node) {
            $id = Ulid::read($node->at('id'));
            $opened = CarbonImmutable::instance($node->at('opened_at')->instant());
            $board = Board::query()->where('machine_id', $machine->id)->where('slot', $node->at('board_slot')->string())->first()
                ?? $node->at('board_slot')->refuse('is not a board of this machine');
            $jobs[$id] = Job::query()->find($id) ?? OpenJob::create(new Intake(
                id: $id,
                board: $board,
                title: $node->at('title')->text(160),
                owner: $node->at('owner')->text(160),
                at: $opened,
                allowanceMinutes: $node->at('allowance_minutes')->integer(1),
            ), $machine);
            if ($jobs[$id]->machine_id !== $machine->id) {
                throw Conflict::at($node->at('id')->pointer, 'a job of another machine has this id');
            }
        }

        return $jobs;
    }

    /** @param array<string, Job> $jobs */
    private function job(Node $node, array $jobs): Job
    {
        return $jobs[Ulid::read($node->at('job'))] ?? $node->at('job')->refuse('is not a job of this document');
    }

    /** @param array<string, Job> $jobs */
    private function take(Node $node, Board $board, array $jobs): bool
    {
        $job = $this->job($node, $jobs);
        $kind = $node->at('kind')->text(20);
        $entry = new Entry([
            'id' => Ulid::read($node->at('id')),
            'job_id' => $job->id,
            'board_id' => $board->id,
            'kind' => $kind,
            'stage' => $node->at('stage')->enum(Stage::class),
            'at' => CarbonImmutable::instance($node->at('at')->instant()),
            'person_id' => null,
            'author' => $node->at('author')->text(120),
            'minutes' => $node->at('minutes')->integer(0),
            'text' => $node->at('text')->string(),
            'data' => House::here()->hall->kinds->stored($kind, (string) json_encode($node->at('data')->object())),
            'corrects_id' => $node->at('corrects')->isNull() ? null : Ulid::read($node->at('corrects')),
            'fingerprint' => hash('sha256', (string) json_encode($node->object())),
            'received_at' => now(),
        ]);
        $known = Entry::query()->find($entry->id);
        if ($known !== null) {
            return self::same($known, $entry) ? false : throw Conflict::at($node->at('id')->pointer, 'another entry has this id');
        }
        $corrected = $entry->corrects_id === null
            ? null
            : Entry::query()->find($entry->corrects_id) ?? throw InvalidDocument::at($node->at('corrects')->pointer, 'is not an entry before this one');
        $entry->save();
        foreach (self::exchanges() as $exchange) {
            $exchange->bringEntry($node, $entry, $board);
        }
        Followed::by($entry, $job, $corrected);

        return true;
    }

    private static function same(Entry $one, Entry $other): bool
    {
        $facts = static fn (Entry $entry): array => [
            $entry->job_id, $entry->board_id, $entry->kind, $entry->stage, $entry->at->format(Cards::TIME), $entry->author, $entry->minutes, $entry->text,
            $entry->data, $entry->corrects_id,
        ];

        return $facts($one) == $facts($other);
    }

    /** @param array<string, Job> $jobs */
    private function settle(array $jobs, Machine $machine): void
    {
        $profile = $machine->readProfile();
        foreach ($jobs as $job) {
            $job->sheet = SheetDocument::of(Gathered::sheet($job, $profile));
            $job->save();
        }
    }
}
