<?php

declare(strict_types=1);

namespace App\Logbook;

use App\Http\Conflict;
use App\Rails\Run;
use App\Rails\StoredReading;
use Ash\Document\InvalidDocument;
use Ash\Document\Node;
use Ash\Logbook\EntryKind;
use Ash\Logbook\JobSheet;
use Ash\Logbook\Profile;
use Ash\Logbook\Stage;
use Ash\Document\Ulid;
use Carbon\CarbonImmutable;
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
        $runs = Run::query()->where('board_id', $board->id)->orderBy('started_at')->orderBy('id')->get();
        $readings = StoredReading::query()->where('board_id', $board->id)->get()->keyBy('entry_id');

        return json_encode([
            'format' => self::FORMAT,
            'machine' => Node::parse($machine->profile)->object(),
            'board' => ['id' => $board->id, 'slot' => $board->slot],
            'jobs' => $jobs->map(static fn (Job $job): array => [
                'id' => $job->id, 'board_slot' => Board::query()->findOrFail($job->board_id)->slot, 'title' => $job->title, 'owner' => $job->owner,
                'allowance_minutes' => $job->allowance_minutes, 'opened_at' => $job->opened_at->format(Cards::TIME),
            ])->all(),
            'runs' => $runs->map(static fn (Run $run): array => [
                'id' => $run->id, 'job' => $run->job_id, 'room' => $run->room, 'repeats' => $run->repeats_id, 'started_at' => $run->started_at->format(Cards::TIME), 'author' => $run->author,
            ])->all(),
            'entries' => $entries->map(static fn (Entry $entry): array => self::entry($entry, $readings->get($entry->id)))->all(),
        ], self::FLAGS)."\n";
    }

    /** @return array<string, mixed> */
    private static function entry(Entry $entry, ?StoredReading $reading): array
    {
        return [
            'id' => $entry->id, 'job' => $entry->job_id, 'kind' => $entry->kind->value, 'stage' => $entry->stage->value, 'at' => $entry->at->format(Cards::TIME),
            'author' => $entry->author, 'minutes' => $entry->minutes, 'text' => $entry->text, 'data' => (object) $entry->data, 'corrects' => $entry->corrects_id,
            'meter' => $reading === null ? null : ['reading_pct' => $reading->reading_pct, 'counts' => $reading->counts, 'resolution_v' => $reading->resolution_v, 'point' => $reading->point],
        ];
    }

    /** @return array{Board, int} the board, and how many entries were new */
    public static function import(string $json): array
    {
        Schema::check($json, 'board-record');
        $node = Node::parse($json);
        $profile = Profile::read($node->at('machine'));

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
        $this->runs($board, $touched);
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
            $board = Board::query()->where('machine_id', $machine->id)->where('slot', $node->at('board_slot')->string())->first() ?? $node->at('board_slot')->refuse('is not a board of this machine');
            $jobs[$id] = Job::query()->find($id) ?? Job::query()->create([
                ...OpenJob::defaults(), 'id' => $id, 'machine_id' => $machine->id, 'board_id' => $board->id, 'title' => $node->at('title')->text(160), 'owner' => $node->at('owner')->text(160),
                'allowance_minutes' => $node->at('allowance_minutes')->integer(1), 'opened_at' => $opened, 'last_entry_at' => $opened,
            ]);
            if ($jobs[$id]->machine_id !== $machine->id) {
                throw Conflict::at($node->at('id')->pointer, 'a job of another machine has this id');
            }
        }

        return $jobs;
    }

    /** @param array<string, Job> $jobs */
    private function runs(Board $board, array $jobs): void
    {
        foreach ($this->node->at('runs')->items() as $node) {
            Run::query()->firstOrCreate(['id' => Ulid::read($node->at('id'))], [
                'job_id' => $this->job($node, $jobs)->id, 'board_id' => $board->id, 'room' => $node->at('room')->text(16),
                'repeats_id' => $node->at('repeats')->isNull() ? null : Ulid::read($node->at('repeats')),
                'started_at' => CarbonImmutable::instance($node->at('started_at')->instant()), 'author' => $node->at('author')->text(120),
            ]);
        }
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
        $data = json_decode((string) json_encode($node->at('data')->object()), true);
        $entry = new Entry([
            'id' => Ulid::read($node->at('id')), 'job_id' => $job->id, 'board_id' => $board->id, 'kind' => $node->at('kind')->enum(EntryKind::class), 'stage' => $node->at('stage')->enum(Stage::class),
            'at' => CarbonImmutable::instance($node->at('at')->instant()), 'person_id' => null, 'author' => $node->at('author')->text(120), 'minutes' => $node->at('minutes')->integer(0),
            'text' => $node->at('text')->string(), 'data' => is_array($data) ? $data : [], 'corrects_id' => $node->at('corrects')->isNull() ? null : Ulid::read($node->at('corrects')),
            'fingerprint' => hash('sha256', (string) json_encode($node->object())), 'received_at' => now(),
        ]);
        $known = Entry::query()->find($entry->id);
        if ($known !== null) {
            return self::same($known, $entry) ? false : throw Conflict::at($node->at('id')->pointer, 'another entry has this id');
        }
        $corrected = $entry->corrects_id === null ? null : Entry::query()->find($entry->corrects_id) ?? throw InvalidDocument::at($node->at('corrects')->pointer, 'is not an entry before this one');
        $entry->save();
        if ($entry->kind === EntryKind::Reading) {
            $this->reading($node, $entry, $board);
        }
        Projection::follow($job, $entry, $corrected);

        return true;
    }

    private function reading(Node $node, Entry $entry, Board $board): void
    {
        $data = $node->at('data');
        $meter = $node->at('meter');
        $number = static fn (string $field): ?float => $data->has($field) ? $data->at($field)->number() : null;
        StoredReading::query()->create([
            'entry_id' => $entry->id, 'run_id' => Run::query()->find(Ulid::read($data->at('run')))->id ?? $data->at('run')->refuse('is not a run of this document'), 'board_id' => $board->id,
            'rail' => $data->at('rail')->text(40), 'test_point' => $data->at('test_point')->text(120), 'point' => $meter->at('point')->isNull() ? null : $meter->at('point')->string(),
            'load' => $data->at('load')->enum(\Ash\Rails\Load::class)->value, 'volts' => $number('volts'), 'ripple_mvpp' => $number('ripple_mvpp'), 'amps' => $number('amps'), 'ohms_to_ground' => $number('ohms_to_ground'),
            'reading_pct' => $meter->at('reading_pct')->notNegative(), 'counts' => $meter->at('counts')->notNegative(), 'resolution_v' => $meter->at('resolution_v')->notNegative(),
            'limit_low' => $data->at('limits_v')->at('low')->number(), 'limit_high' => $data->at('limits_v')->at('high')->number(),
            'verdict' => $data->has('verdict') && !$data->at('verdict')->isNull() ? $data->at('verdict')->enum(\Ash\Rails\Verdict::class)->value : null, 'at' => $entry->at,
        ]);
    }

    private static function same(Entry $one, Entry $other): bool
    {
        $facts = static fn (Entry $entry): array => [$entry->job_id, $entry->board_id, $entry->kind, $entry->stage, $entry->at->format(Cards::TIME), $entry->author, $entry->minutes, $entry->text, $entry->data, $entry->corrects_id];

        return $facts($one) == $facts($other);
    }

    /** @param array<string, Job> $jobs */
    private function settle(array $jobs, Machine $machine): void
    {
        $profile = $machine->readProfile();
        foreach ($jobs as $job) {
            $job->sheet = SheetDocument::of(JobSheet::of(ReadFacts::of($job, $profile)));
            $job->save();
        }
    }
}
