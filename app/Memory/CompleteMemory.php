<?php

declare(strict_types=1);

namespace App\Memory;

use App\Logbook\Entry;
use App\Logbook\Job;
use App\Logbook\Taking;
use Ash\Document\InvalidDocument;
use Ash\Document\Node;
use Ash\Document\Shape;
use Ash\Document\Ulid;
use Ash\Logbook\EntryData;
use Ash\Logbook\Profile;
use Ash\Memory\ChipsExchanged;
use Ash\Memory\DateCodesRead;
use Ash\Memory\DescribedMemories;
use Ash\Memory\ErrorSaid;
use Ash\Memory\FittedMemory;
use Ash\Memory\MemoryRun;
use Ash\Memory\Pattern;
use Ash\Memory\Seen;
use Ash\Memory\SoakKept;
use Ash\Memory\Swap;
use Ash\Memory\SwapJudged;
use Illuminate\Database\Eloquent\Builder;

/** The room's entries on their way into the record: what they refer to is looked up, and what follows from it is kept with them. */
final readonly class CompleteMemory
{
    /** Suspects that are kept; below the first ones nobody acts. */
    private const KEPT = 12;

    public static function run(Job $job, MemoryRun $data): MemoryRun
    {
        $source = self::source($job, $data->source);
        self::notKept(MemoryRun::KIND, $source);
        $source->pattern = $data->pattern === Pattern::None ? $source->pattern : $data->pattern->value;
        $source->tested = $data->tested === null ? $source->tested : self::tested($data->tested, $source->fitted());
        if ($source->isDirty(['pattern', 'tested']) || $source->result === null) {
            $tooWide = $source->withPattern() === Pattern::Mix && $source->fitted()->map->wordBits > 32;
            !$tooWide || throw InvalidDocument::at('/data/pattern', 'mix takes words of at most 32 bits');
            Sources::read($source);
        }
        $memory = $source->fitted();
        $read = $source->result ?? new SourceRead();
        $seen = Seen::of($memory->map, $read->located->matrix);

        return Shape::of(MemoryRun::class)->with($data, [
            'pattern' => $source->withPattern(), 'tested' => $source->tested, 'map' => $memory->key, 'name' => $memory->name, 'radix' => $source->radix,
            'from' => $source->kind, 'errors' => $read->located->errors, 'unmapped' => $read->located->unmapped, 'unexplained' => $read->located->unexplained,
            'passes' => $read->passes, 'failedPasses' => $read->failedPasses, 'leftOver' => $read->leftOver, 'matrix' => $seen->byBank(),
            'suspects' => array_slice($read->located->suspects, 0, self::KEPT), 'reasons' => $read->located->reasons,
            'cut' => self::cut($source), 'swap' => self::judged($job, $memory, $seen, $data),
        ]);
    }

    /** An error said in a line is a test of that one line, like one that was typed into the reader. */
    public static function said(Taking $at, ErrorSaid $data): EntryData
    {
        $memory = $at->profile->section(DescribedMemories::class)->all[0]
            ?? throw InvalidDocument::at(
                '/data/memory',
                'is not known yet: draw its rows first (mem rows 2 x 8 4116 U20 at 0), or paste the text on the memory page',
            );
        $falls = $data->on($memory) ?? throw InvalidDocument::at(
            '/data/error',
            "is not a word of {$memory->name}, which is counted {$memory->map->radix->words()}",
        );
        if ($at->only) {
            return $data->falling($falls);
        }
        $source = Sources::text($at->job, new MemoryTextBody(Ulid::beside($at->draft->id), $memory->key, $data->error), $at->who);

        return self::run($at->job, new MemoryRun($source->id));
    }

    public static function exchange(Job $job, ChipsExchanged $data): ChipsExchanged
    {
        $entry = self::runs($job)->where('id', $data->run)->first();
        $run = $entry?->as(MemoryRun::class);
        if ($entry === null || $run === null) {
            throw InvalidDocument::at('/data/run', 'is not a memory test of this job');
        }
        $memory = self::memoryOf($entry, $run);
        $swap = Swap::between($memory, Node::of($data->from, '/data/from'), Node::of($data->to, '/data/to'));

        return $data->predicted($memory, $swap->predicts(Seen::kept($memory->map, $run->matrix)));
    }

    public static function soak(Job $job, SoakKept $data): SoakKept
    {
        if ($data->source === null) {
            return $data->bounded();
        }
        $source = self::source($job, $data->source);
        self::notKept(SoakKept::KIND, $source);
        $read = $source->result ?? new SourceRead();
        $read->passes > 0 || throw InvalidDocument::at('/data/source', 'no pass has ended in it: there is nothing to count');
        $read->leftOver === 0 || $read->failedPasses > 0
            || throw InvalidDocument::at('/data/source', "{$read->leftOver} lines of it were not understood: teach the reader first");

        return $data->counted($source->fitted(), $source->withPattern(), $read->passes, $read->failedPasses, self::cut($source))->bounded();
    }

    public static function dateCodes(Profile $profile, DateCodesRead $data): DateCodesRead
    {
        $memory = $profile->section(DescribedMemories::class)?->memory($data->map)
            ?? throw InvalidDocument::at('/data/map', 'the machine\'s profile has no such memory');

        return $data->understood($memory);
    }

    /** @return Builder<Entry> the job's memory runs that stand, latest first */
    public static function runs(Job $job): Builder
    {
        return self::standing($job, MemoryRun::KIND);
    }

    /** @return Builder<Entry> latest first */
    public static function standing(Job $job, string ...$kinds): Builder
    {
        return Entry::standing(...$kinds)->where('job_id', $job->id)->orderByDesc('at')->orderByDesc('received_at')->orderByDesc('id');
    }

    /** The memory by the map of the run's day; of a run that came in with a record from elsewhere, by the profile as it is now. */
    public static function memoryOf(Entry $entry, MemoryRun $run): FittedMemory
    {
        return Source::query()->find($run->source)?->fitted()
            ?? Job::query()->findOrFail($entry->job_id)->profile()
                ->section(DescribedMemories::class)?->memory($run->map)
            ?? throw InvalidDocument::at('/data/run', 'belongs to a memory that the profile no longer has');
    }

    /** The exchange of this memory that no run has judged yet. */
    public static function pendingSwap(Job $job, string $map): ?Entry
    {
        $last = self::standing($job, MemoryRun::KIND, ChipsExchanged::KIND)->get()
            ->first(static fn (Entry $it): bool => ($it->as(MemoryRun::class)->map ?? $it->as(ChipsExchanged::class)?->map) === $map);

        return $last?->kind === ChipsExchanged::KIND ? $last : null;
    }

    /** What the run says of the exchange before it. */
    private static function judged(Job $job, FittedMemory $memory, Seen $seen, MemoryRun $now): ?SwapJudged
    {
        $entry = self::pendingSwap($job, $memory->key);
        $swap = $entry?->as(ChipsExchanged::class);
        $before = $swap === null ? null : Entry::query()->find($swap->run)?->as(MemoryRun::class);
        if ($entry === null || $swap === null || $before === null) {
            return null;
        }
        [$verdict, $text] = Swap::between($memory, Node::of($swap->from), Node::of($swap->to))->judge(Seen::kept($memory->map, $before->matrix), $seen);
        $differ = $before->condition->against($now->condition);
        $but = $differ === null ? '' : " But the run before was {$differ[0]} and this one {$differ[1]}: repeat under the same condition before you believe it.";

        return new SwapJudged($entry->id, $verdict, $text.$but);
    }

    /** Why a source is not whole; null when it is. */
    private static function cut(Source $source): ?string
    {
        return match ($source->state) {
            SourceState::Cut, SourceState::Lost => $source->why ?? $source->state->words(),
            default => $source->why,
        };
    }

    private static function source(Job $job, string $id): Source
    {
        $source = Source::query()->where('job_id', $job->id)->find($id) ?? throw InvalidDocument::at('/data/source', 'is not a source of this job');

        return $source->state->active() ? throw InvalidDocument::at('/data/source', 'is still coming in: stop the capture first') : $source;
    }

    private static function notKept(string $kind, Source $source): void
    {
        self::kept($source, $kind) === null || throw InvalidDocument::at('/data/source', 'is kept already');
    }

    /** The entry that keeps a source, when there is one that stands. */
    public static function kept(Source $source, string ...$kinds): ?string
    {
        $id = self::standing(Job::query()->findOrFail($source->job_id), ...($kinds === [] ? [MemoryRun::KIND, SoakKept::KIND] : $kinds))
            ->whereRaw('JSON_VALUE(data, \'$.source\') = ?', [$source->id])->value('id');

        return is_string($id) ? $id : null;
    }

    /**
     * @param list<string> $names
     *
     * @return list<string>
     */
    private static function tested(array $names, FittedMemory $memory): array
    {
        foreach ($names as $i => $name) {
            isset($memory->map->byName["\0{$name}"]) || throw InvalidDocument::at("/data/tested/{$i}", 'there is no such bank');
        }

        return $names;
    }
}
