<?php

declare(strict_types=1);

namespace Database\Seeders;

use App\Instruments\Meter;
use App\Logbook\Append;
use App\Logbook\Board;
use App\Logbook\Entry;
use App\Logbook\House;
use App\Logbook\Intake;
use App\Logbook\Job;
use App\Logbook\Machine;
use App\Logbook\OpenJob;
use App\Logbook\SaveProfile;
use App\Logbook\TakeIn;
use App\Logbook\TakeInBody;
use App\Memory\MemoryTextBody;
use App\Memory\Sources;
use App\People\Person;
use App\Rails\Run;
use App\Shelf\ShelfCsv;
use App\Shelf\ShelfItem;
use Ash\Document\Node;
use Ash\Document\Shape;
use Ash\Logbook\IntakeLine;
use Ash\Rails\ReadingTaken;
use Carbon\CarbonImmutable;
use Symfony\Component\Uid\Ulid;

/** The demo scenario: an observatory trust's workshop. It goes the way every entry goes, so whatever it shows, the rules have made. */
final class DemoSeeder
{
    /** @var array<string, Person> */
    private array $people = [];

    /** @var array<string, Meter> */
    private array $meters = [];

    /** @var array<string, string> run identifiers by the name that the notes give them */
    private array $runs = [];

    /** @var array<string, string> entries by the tag that the notes give them */
    private array $tags = [];

    private Job $job;

    /** @param array<string, Person> $people by the name that the notes use */
    public static function fill(array $people, Meter $bench, Meter $hand): void
    {
        $seeder = new self();
        $seeder->people = $people;
        $seeder->meters = ['bench' => $bench, 'hand' => $hand];
        foreach (self::files('machines') as $file) {
            SaveProfile::asNew((string) file_get_contents($file), 'Ines Calder');
        }
        ShelfCsv::import(database_path('demo/shelf.csv'), $people['ines']);
        foreach (self::files('jobs') as $file) {
            $seeder->job(Node::parse((string) file_get_contents($file)));
        }
    }

    /** @return list<string> */
    private static function files(string $folder): array
    {
        $files = glob(database_path("demo/{$folder}/*.json")) ?: [];
        sort($files);

        return $files;
    }

    private function job(Node $notes): void
    {
        $entries = $notes->at('entries')->items();
        $opened = $entries[0]->at('at')->instant();
        if ($notes->has('intake')) {
            $this->runs = $this->tags = [];
            $this->takeIn($notes, CarbonImmutable::instance($opened));
            $this->entries($entries);

            return;
        }
        $machine = Machine::query()->where('slug', $notes->at('machine')->string())->firstOrFail();
        $board = Board::query()->where('machine_id', $machine->id)->where('slot', $notes->at('board')->string())->firstOrFail();
        $this->runs = $this->tags = [];
        [$this->job] = OpenJob::with(new Intake(
            id: self::id($opened),
            board: $board,
            title: $notes->at('title')->string(),
            owner: $notes->at('owner')->string(),
            at: CarbonImmutable::instance($opened),
            allowanceMinutes: $notes->at('allowance_minutes')->integer(1),
        ), $machine);
        $this->entries($entries);
    }

    /** A machine that nobody had described, or a board that came alone: by the line that somebody typed. */
    private function takeIn(Node $notes, CarbonImmutable $at): void
    {
        $line = IntakeLine::read($notes->at('intake')->string());
        [$this->job] = TakeIn::with(new TakeInBody(
            id: self::id($at),
            at: $at,
            name: $line->machine,
            serial: $line->serial,
            owner: $line->owner,
            symptom: $line->symptom,
            allowanceMinutes: $notes->at('allowance_minutes')->integer(1),
            alone: $line->alone,
        ), $this->people[$notes->at('entries')->items()[0]->at('who')->string()]);
    }

    /** @param list<Node> $entries */
    private function entries(array $entries): void
    {
        foreach ($entries as $entry) {
            match (true) {
                $entry->has('readings') => $this->run($entry),
                $entry->has('corrects_reading') => $this->correct($entry),
                $entry->has('memory') => $this->memory($entry),
                default => $this->add(
                    $entry,
                    $entry->has('line')
                        ? ['line' => $entry->at('line')->string()]
                        : ['kind' => $entry->at('kind')->string(), 'data' => $this->resolved($entry->at('data'))],
                ),
            };
        }
    }

    /** A memory test: its text is read as it would be pasted, then kept. */
    private function memory(Node $entry): void
    {
        $given = $entry->at('memory');
        $who = $this->people[$entry->at('who')->string()];
        $id = self::id($entry->at('at')->instant());
        $text = implode("\n", array_map(static fn (Node $line): string => $line->string(), $given->at('lines')->items()));
        $more = array_diff_key(get_object_vars($given->object()), ['lines' => 1, 'condition' => 1]);
        $body = Shape::of(MemoryTextBody::class)->read(Node::of((object) ['id' => $id, 'text' => $text, ...$more]));
        Sources::text($this->job->refresh(), $body, $who);
        $this->add($entry, ['kind' => 'memory', 'minutes' => 10, 'data' => (object) ['source' => $id, 'condition' => $given->at('condition')->raw()]], 1);
    }

    /** A machine by its name in addresses, a board by its place in one, or one that is in none by its name. */
    private static function found(string $what, string $name, string $place): string
    {
        $boards = Board::query()->join('machines', 'machines.id', '=', 'boards.machine_id');

        return match ($what) {
            'machine' => Machine::query()->where('slug', $name)->firstOrFail()->id,
            'at' => $boards->where('machines.slug', $name)->where('slot', $place)->firstOrFail(['boards.id'])->id,
            default => $boards->where('machines.bare', true)->where('boards.name', $name)->where('boards.serial', '0044')->firstOrFail(['boards.id'])->id,
        };
    }

    /** "@tag" in the notes stands for the entry that carries the tag, "@shelf:NUMBER" for a part of the shelf. */
    private function resolved(Node $data): object
    {
        return (object) array_map(fn (mixed $value): mixed => match (true) {
            is_string($value) && str_starts_with($value, '@shelf:') => ShelfItem::query()->where('sku', substr($value, 7))->firstOrFail()->id,
            is_string($value) && preg_match('/^@(at|alone|machine):([^:]+):?(.*)$/', $value, $m) === 1 => self::found($m[1], $m[2], $m[3]),
            is_string($value) && str_starts_with($value, '@') => $this->tags[substr($value, 1)],
            default => $value,
        }, get_object_vars($data->object()));
    }

    /** @param array<string, mixed> $fields */
    private function add(Node $entry, array $fields, int $secondsLater = 0): void
    {
        $at = CarbonImmutable::instance($entry->at('at')->instant())->addSeconds($secondsLater);
        $who = $this->people[$entry->at('who')->string()];
        $id = self::id($at);
        if ($entry->has('tag')) {
            $this->tags[$entry->at('tag')->string()] = $id;
        }
        Append::to($this->job->id, House::here()->hall->draft(Node::of((object) ['id' => $id, 'at' => $at->format('Y-m-d\TH:i:s\Z'), ...$fields])), $who);
    }

    private function run(Node $entry): void
    {
        $name = $entry->at('run')->string();
        $this->runs[$name] ??= Run::query()->create([
            'id' => self::id($entry->at('at')->instant()), 'job_id' => $this->job->id, 'board_id' => $this->job->board_id, 'room' => 'rails',
            'repeats_id' => $entry->has('repeats') ? $this->runs[$entry->at('repeats')->string()] : null,
            'started_at' => $entry->at('at')->instant(), 'author' => $this->people[$entry->at('who')->string()]->name,
        ])->id;
        foreach ($entry->at('readings')->items() as $i => $reading) {
            $this->add($entry, ['kind' => 'reading', 'stage' => 'supply', 'minutes' => 1, 'data' => (object) [
                'run' => $this->runs[$name], 'load' => $entry->at('load')->string(), 'meter' => $this->meters[$entry->at('meter')->string()]->id,
                ...get_object_vars($reading->object()),
            ]], 40 * $i);
        }
    }

    private function correct(Node $entry): void
    {
        $right = $entry->at('corrects_reading');
        [$rail, $point] = [$right->at('rail')->string(), $right->at('test_point')->string()];
        $all = Entry::query()->where('job_id', $this->job->id)->where('kind', ReadingTaken::KIND)->orderByDesc('at')->get();
        $wrong = $all->firstOrFail(static function (Entry $it) use ($rail, $point): bool {
            $reading = $it->as(ReadingTaken::class);

            return $reading?->rail === $rail && $reading->testPoint === $point;
        });
        $reading = $wrong->as(ReadingTaken::class) ?? throw new \LogicException('it was found by what it read');
        $kept = ['run' => $reading->run, 'load' => $reading->load->value, 'meter' => $reading->meter];
        $this->add($entry, [
            'kind' => 'reading', 'text' => $entry->at('text')->string(), 'corrects' => $wrong->id,
            'data' => (object) [...$kept, ...get_object_vars($right->object())],
        ]);
    }

    private static function id(\DateTimeInterface $at): string
    {
        return Ulid::generate($at);
    }
}
