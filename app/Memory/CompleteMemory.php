<?php

declare(strict_types=1);

namespace App\Memory;

use App\Logbook\Entry;
use App\Logbook\Job;
use App\Logbook\Machine;
use App\Logbook\Record;
use Ash\Document\InvalidDocument;
use Ash\Document\Node;
use Ash\Logbook\EntryKind;
use Ash\Memory\Condition;
use Ash\Memory\DateCode;
use Ash\Memory\FittedMemory;
use Ash\Memory\Pattern;
use Ash\Memory\Seen;
use Ash\Memory\Soak;
use Ash\Memory\Swap;

/** The room's entries on their way into the record: what they refer to is looked up, and what follows from it is kept with them. */
final readonly class CompleteMemory
{
    /** Suspects that are kept; below the first ones nobody acts. */
    private const KEPT = 12;

    /**
     * @param array<string, mixed> $data
     *
     * @return array<string, mixed>
     */
    public static function run(Job $job, array $data): array
    {
        $source = self::source($job, $data);
        self::notKept(EntryKind::Memory, $source);
        $source->pattern = is_string($data['pattern'] ?? null) && $data['pattern'] !== Pattern::None->value ? $data['pattern'] : $source->pattern;
        $source->tested = is_array($data['tested'] ?? null) ? self::tested($data['tested'], $source->fitted()) : $source->tested;
        if ($source->isDirty(['pattern', 'tested']) || $source->result === null) {
            $source->withPattern() !== Pattern::Mix || $source->fitted()->map->wordBits <= 32 || throw InvalidDocument::at('/data/pattern', 'mix takes words of at most 32 bits');
            Sources::read($source);
        }
        $memory = $source->fitted();
        $result = $source->result ?? [];
        /** @var array{suspects: list<array<string, mixed>>, matrix: list<array{bank: string, bit: int|string, errors: int}>, errors: int, unmapped: int, unexplained: int, reasons: list<string>} $located */
        $located = is_array($result['located'] ?? null) ? $result['located'] : [];
        $seen = Seen::of($memory->map, $located['matrix']);

        return [
            ...$data, 'pattern' => $source->pattern, 'tested' => $source->tested, 'map' => $memory->key, 'name' => $memory->name, 'radix' => $source->radix,
            'from' => $source->kind->value, 'errors' => $located['errors'], 'unmapped' => $located['unmapped'], 'unexplained' => $located['unexplained'],
            'passes' => $result['passes'] ?? 0, 'failed_passes' => $result['failed_passes'] ?? 0, 'left_over' => $result['left_over'] ?? 0,
            'matrix' => (object) $seen->document(), 'suspects' => array_slice($located['suspects'], 0, self::KEPT), 'reasons' => $located['reasons'],
            ...self::cut($source), ...self::swapped($job, $memory, $seen, $data),
        ];
    }

    /**
     * @param array<string, mixed> $data
     *
     * @return array<string, mixed>
     */
    public static function swap(Job $job, array $data): array
    {
        $run = self::runs($job)->where('id', is_string($data['run'] ?? null) ? $data['run'] : '')->first() ?? throw InvalidDocument::at('/data/run', 'is not a memory test of this job');
        $memory = self::memoryOf($run);
        $swap = Swap::between($memory, Node::of($data['from'], '/data/from'), Node::of($data['to'], '/data/to'));

        return [...$data, 'map' => $memory->key, 'name' => $memory->name, 'predicts' => $swap->predicts(self::seen($memory, $run))];
    }

    /**
     * @param array<string, mixed> $data
     *
     * @return array<string, mixed>
     */
    public static function soak(Job $job, array $data): array
    {
        $more = [];
        if (isset($data['source'])) {
            $source = self::source($job, $data);
            self::notKept(EntryKind::Soak, $source);
            $memory = $source->fitted();
            $passes = $source->result['passes'] ?? 0;
            is_int($passes) && $passes > 0 || throw InvalidDocument::at('/data/source', 'no pass has ended in it: there is nothing to count');
            $more = ['passes' => $passes, 'errors' => $source->result['failed_passes'] ?? 0, 'map' => $memory->key, 'name' => $memory->name, 'pattern' => $source->pattern, ...self::cut($source)];
        }
        $all = [...$data, ...$more];
        $number = static fn (string $key): ?float => is_numeric($all[$key] ?? null) ? (float) $all[$key] : null;
        $soak = Soak::of((int) $number('passes'), (int) $number('errors'), $number('confidence') ?? 0.95, $number('target_rate'), $number('seconds_per_pass'));

        return [...$all, 'upper_rate' => $soak->upperRate, 'lower_rate' => $soak->lowerRate, 'passes_left' => $soak->passesLeft, 'reasons' => $soak->reasons];
    }

    /**
     * @param array<string, mixed> $data
     *
     * @return array<string, mixed>
     */
    public static function dateCodes(Job $job, array $data): array
    {
        $memory = Machine::query()->findOrFail($job->machine_id)->readProfile()->memory(is_string($data['map'] ?? null) ? $data['map'] : '')
            ?? throw InvalidDocument::at('/data/map', 'the machine\'s profile has no such memory');
        $codes = DateCode::list(Node::of($data['codes'], '/data/codes'), $memory->map);
        $history = DateCode::history($codes);

        return [...$data, 'name' => $memory->name, 'by_chip' => (object) $codes, 'built' => $history['built'], 'younger' => (object) $history['younger']];
    }

    /** @return \Illuminate\Database\Eloquent\Builder<Entry> the job's memory runs that stand, latest first */
    public static function runs(Job $job): \Illuminate\Database\Eloquent\Builder
    {
        return self::standing($job, EntryKind::Memory);
    }

    /** @return \Illuminate\Database\Eloquent\Builder<Entry> */
    public static function standing(Job $job, EntryKind ...$kinds): \Illuminate\Database\Eloquent\Builder
    {
        return Entry::query()->where('job_id', $job->id)->whereIn('kind', $kinds)
            ->whereNotExists(static fn ($query) => $query->from('entries as later')->whereColumn('later.corrects_id', 'entries.id'))
            ->orderByDesc('at')->orderByDesc('received_at')->orderByDesc('id');
    }

    /** The memory by the map of the run's day; of a run that came in with a record from elsewhere, by the profile as it is now. */
    public static function memoryOf(Entry $run): FittedMemory
    {
        return Source::query()->find(Record::word($run, 'source'))?->fitted()
            ?? Machine::query()->findOrFail(Job::query()->findOrFail($run->job_id)->machine_id)->readProfile()->memory(Record::word($run, 'map'))
            ?? throw InvalidDocument::at('/data/run', 'belongs to a memory that the profile no longer has');
    }

    public static function seen(FittedMemory $memory, Entry $run): Seen
    {
        return Seen::kept($memory->map, Node::of((object) array_map(static fn (mixed $bits): object => (object) $bits, is_array($run->data['matrix'] ?? null) ? $run->data['matrix'] : [])));
    }

    public static function condition(Entry $run): Condition
    {
        return Condition::read(Node::of((object) (is_array($run->data['condition'] ?? null) ? $run->data['condition'] : [])));
    }

    /** The exchange of this memory that no run has judged yet. */
    public static function pendingSwap(Job $job, string $map): ?Entry
    {
        $last = self::standing($job, EntryKind::Memory, EntryKind::Swap)->get()->first(static fn (Entry $it): bool => Record::word($it, 'map') === $map);

        return $last?->kind === EntryKind::Swap ? $last : null;
    }

    /**
     * @param array<string, mixed> $data
     *
     * @return array<string, mixed> what the run says of the exchange before it
     */
    private static function swapped(Job $job, FittedMemory $memory, Seen $seen, array $data): array
    {
        $swap = self::pendingSwap($job, $memory->key);
        $before = $swap === null ? null : Entry::query()->find(Record::word($swap, 'run'));
        if ($swap === null || $before === null) {
            return [];
        }
        $judged = Swap::between($memory, Node::of(Record::word($swap, 'from')), Node::of(Record::word($swap, 'to')))->judge(self::seen($memory, $before), $seen);
        $differ = self::condition($before)->against(Condition::read(Node::of((object) (is_object($data['condition'] ?? null) || is_array($data['condition'] ?? null) ? $data['condition'] : []))));

        return ['swap' => ['entry' => $swap->id, 'verdict' => $judged['verdict'], 'text' => $judged['text'].($differ === null ? '' : " But the run before was {$differ[0]} and this one {$differ[1]}: repeat under the same condition before you believe it.")]];
    }

    /** @return array<string, string> */
    private static function cut(Source $source): array
    {
        return match ($source->state) {
            SourceState::Cut, SourceState::Lost => ['cut' => $source->why ?? $source->state->words()],
            default => $source->why === null ? [] : ['cut' => $source->why],
        };
    }

    /** @param array<string, mixed> $data */
    private static function source(Job $job, array $data): Source
    {
        $source = Source::query()->where('job_id', $job->id)->find(is_string($data['source'] ?? null) ? $data['source'] : '') ?? throw InvalidDocument::at('/data/source', 'is not a source of this job');

        return $source->state->active() ? throw InvalidDocument::at('/data/source', 'is still coming in: stop the capture first') : $source;
    }

    private static function notKept(EntryKind $kind, Source $source): void
    {
        self::kept($source, $kind) === null || throw InvalidDocument::at('/data/source', 'is kept already');
    }

    /** The entry that keeps a source, when there is one that stands. */
    public static function kept(Source $source, EntryKind ...$kinds): ?string
    {
        $id = self::standing(Job::query()->findOrFail($source->job_id), ...($kinds === [] ? [EntryKind::Memory, EntryKind::Soak] : $kinds))
            ->whereRaw('JSON_VALUE(data, \'$.source\') = ?', [$source->id])->value('id');

        return is_string($id) ? $id : null;
    }

    /**
     * @param array<mixed> $names
     *
     * @return list<string>
     */
    private static function tested(array $names, FittedMemory $memory): array
    {
        foreach ($names as $i => $name) {
            is_string($name) && isset($memory->map->byName["\0{$name}"]) || throw InvalidDocument::at("/data/tested/{$i}", 'there is no such bank');
        }

        return array_values(array_filter($names, is_string(...)));
    }
}
