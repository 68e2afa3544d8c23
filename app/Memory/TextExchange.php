<?php

declare(strict_types=1);

namespace App\Memory;

use App\Http\Conflict;
use App\Logbook\Board;
use App\Logbook\BroughtFiles;
use App\Logbook\Cards;
use App\Logbook\Exchange;
use App\Logbook\Job;
use Ash\Document\InvalidDocument;
use Ash\Document\Node;
use Ash\Document\Ulid;
use Ash\Memory\FittedMemory;
use Ash\Memory\Pattern;
use Ash\Memory\SourceForm;
use Ash\Quantity\Radix;
use Carbon\CarbonImmutable;
use Illuminate\Support\Collection;

/** The texts that memory tests of a board's record were read from. Those that come in are read anew. */
final class TextExchange extends Exchange
{
    private const MOST = 5000;

    public function filed(Board $board): array
    {
        return ['memory_texts' => array_values(self::of($board)->map(static fn (Source $it): array => [
            'id' => $it->id, 'job' => $it->job_id, 'from' => $it->kind->value, 'state' => $it->state->value, 'why' => $it->why,
            'memory' => Node::parse($it->memory)->raw(), 'radix' => $it->radix, 'pattern' => $it->pattern, 'tested' => $it->tested,
            'author' => $it->author, 'started_at' => $it->started_at->format(Cards::TIME),
        ])->all())];
    }

    public function files(Board $board): array
    {
        return self::of($board)->mapWithKeys(static fn (Source $it): array => [self::name($it->id) => $it->file()])->all();
    }

    public function prepare(Node $document, BroughtFiles $files): void
    {
        foreach ($document->optional('memory_texts')?->items(self::MOST) ?? [] as $node) {
            $id = Ulid::read($node->at('id'));
            $path = $files->path(self::name($id));
            $source = self::source($node, $id, $files->own);
            self::referred($document, $id) || $node->at('id')->refuse('no entry of this document was read from it');
            if ($path === null) {
                continue;
            }
            try {
                Sources::read($source, $path);
            } catch (InvalidDocument $fault) {
                throw InvalidDocument::at('/'.self::name($id), "{$fault->pointer} {$fault->detail}");
            }
            $files->keep(self::name($id), $source);
        }
    }

    public function bring(Node $document, Board $board, array $jobs, BroughtFiles $files): void
    {
        foreach ($document->optional('memory_texts')?->items(self::MOST) ?? [] as $node) {
            $job = $jobs[Ulid::read($node->at('job'))] ?? $node->at('job')->refuse('is not a job of this document');
            $id = Ulid::read($node->at('id'));
            $known = Source::query()->find($id);
            if ($known !== null && $known->job_id !== $job->id) {
                throw Conflict::at($node->at('id')->pointer, 'a test of another job has this id');
            }
            $source = $files->ready(self::name($id), Source::class);
            if ($source === null || ($known !== null && is_file($known->file()))) {
                continue;
            }
            if (!$job->imported && !$files->own) {
                throw Conflict::at($node->at('job')->pointer, 'is a job of this workshop: only its own export adds to it');
            }
            $known !== null || $source->replicate(['id'])->forceFill(['id' => $id, 'job_id' => $job->id, 'updated_at' => now()])->save();
            $files->land((string) $files->path(self::name($id)), $source->file());
        }
    }

    /** As it will be kept, not yet in the database. */
    private static function source(Node $node, string $id, bool $own): Source
    {
        $state = $node->at('state')->enum(SourceState::class);
        !$state->active() || $node->at('state')->refuse('is still being listened to');
        $memory = FittedMemory::read($node->at('memory'));
        $at = CarbonImmutable::instance($node->at('started_at')->instant())->utc();
        $at->greaterThan(now()->addDay()) && $node->at('started_at')->refuse('lies more than a day ahead');
        $pattern = $node->at('pattern')->enum(Pattern::class);
        $pattern !== Pattern::Mix || $memory->map->wordBits <= 32 || $node->at('pattern')->refuse('mix takes words of at most 32 bits');
        foreach ($node->at('tested')->isNull() ? [] : $node->at('tested')->items() as $bank) {
            isset($memory->map->byName["\0{$bank->string()}"]) || $bank->refuse('is not a bank of this memory');
        }

        return new Source([
            'id' => $id, 'kind' => $node->at('from')->enum(SourceForm::class), 'state' => $state,
            'why' => $node->at('why')->isNull() ? null : $node->at('why')->text(500), 'memory' => json_encode($node->at('memory')->raw(), JSON_THROW_ON_ERROR),
            'radix' => Radix::read($node->at('radix'))->value, 'pattern' => $pattern->value, 'tested' => $node->at('tested')->raw(), 'kept' => true,
            'author' => $node->at('author')->text(120), 'started_at' => $at, 'updated_at' => now(), 'imported' => !$own,
        ]);
    }

    private static function referred(Node $document, string $id): bool
    {
        foreach ($document->at('entries')->items() as $entry) {
            $data = $entry->at('data');
            if ($data->has('source') && $data->at('source')->raw() === $id) {
                return true;
            }
        }

        return false;
    }

    private static function name(string $id): string
    {
        return "memory/{$id}.txt";
    }

    /** @return Collection<int, Source> */
    private static function of(Board $board): Collection
    {
        $jobs = Job::query()->select('id')->where('board_id', $board->id);

        return Source::query()
            ->where('kept', true)
            ->where(static fn ($query) => $query->whereNotIn('state', Sources::active()))
            ->whereIn('job_id', $jobs)
            ->orderBy('started_at')
            ->orderBy('id')
            ->get();
    }
}
