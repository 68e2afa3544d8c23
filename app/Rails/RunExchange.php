<?php

declare(strict_types=1);

namespace App\Rails;

use App\Http\Conflict;
use App\Logbook\Board;
use App\Logbook\BroughtFiles;
use App\Logbook\Cards;
use App\Logbook\Entry;
use App\Logbook\Exchange;
use App\Logbook\Row;
use Ash\Document\Node;
use Ash\Document\Ulid;
use Ash\Rails\MeterAccuracy;
use Ash\Rails\Point;
use Ash\Rails\ReadingTaken;
use Carbon\CarbonImmutable;
use Illuminate\Database\Query\Builder;

/** Runs beside the entries of a board's record, and the meter of each reading in its entry. */
final class RunExchange extends Exchange
{
    public function document(Board $board): array
    {
        $runs = Run::query()->where('board_id', $board->id)->orderBy('started_at')->orderBy('id')->get();

        return ['runs' => $runs->map(static fn (Run $run): array => [
            'id' => $run->id, 'job' => $run->job_id, 'room' => $run->room, 'repeats' => $run->repeats_id,
            'started_at' => $run->started_at->format(Cards::TIME), 'author' => $run->author,
        ])->all()];
    }

    public function besideEntries(Builder $entries): void
    {
        $entries->leftJoin('readings', 'readings.entry_id', '=', 'entries.id')
            ->addSelect('readings.entry_id', 'readings.reading_pct', 'readings.counts', 'readings.resolution_v', 'readings.point');
    }

    public function entry(Row $row): array
    {
        return ['meter' => $row->text('entry_id') === null ? null : [
            'reading_pct' => $row->float('reading_pct'), 'counts' => $row->float('counts'), 'resolution_v' => $row->float('resolution_v'),
            'point' => $row->text('point'),
        ]];
    }

    public function bring(Node $document, Board $board, array $jobs, BroughtFiles $files): void
    {
        foreach ($document->at('runs')->items() as $node) {
            $job = $jobs[Ulid::read($node->at('job'))] ?? $node->at('job')->refuse('is not a job of this document');
            $repeats = $node->at('repeats')->isNull() ? null : Ulid::read($node->at('repeats'));
            $repeats === null || Run::query()->where('job_id', $job->id)->whereKey($repeats)->exists()
                || $node->at('repeats')->refuse('is not a run of this job');
            $run = Run::query()->firstOrCreate(['id' => Ulid::read($node->at('id'))], [
                'job_id' => $job->id,
                'board_id' => $board->id,
                'room' => $node->at('room')->text(16),
                'repeats_id' => $repeats,
                'started_at' => CarbonImmutable::instance($node->at('started_at')->instant()),
                'author' => $node->at('author')->text(120),
                'imported' => true,
            ]);
            if ($run->job_id !== $job->id || $run->board_id !== $board->id) {
                throw Conflict::at($node->at('id')->pointer, 'a run of another job has this id');
            }
        }
    }

    public function bringEntry(Node $node, Entry $entry, Board $board): void
    {
        $reading = $entry->as(ReadingTaken::class);
        if ($reading === null) {
            return;
        }
        Run::query()->where('job_id', $entry->job_id)->whereKey($reading->run)->exists() || $node->at('data')->at('run')->refuse('is not a run of this job');
        $reading->limitsV !== null || $node->at('data')->at('limits_v');
        $meter = $node->at('meter');
        $accuracy = MeterAccuracy::of($meter->at('reading_pct')->notNegative(), $meter->at('counts')->notNegative(), $meter->at('resolution_v')->notNegative());
        StoredReading::lay($entry, $reading, $board->id, $accuracy, $meter->at('point')->isNull() ? null : $meter->at('point')->enum(Point::class));
    }
}
