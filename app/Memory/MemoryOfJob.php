<?php

declare(strict_types=1);

namespace App\Memory;

use App\Instruments\SerialPort;
use App\Instruments\SerialPortCard;
use App\Logbook\Board;
use App\Logbook\Cards;
use App\Logbook\Entry;
use App\Logbook\Job;
use Ash\Document\InvalidDocument;
use Ash\Logbook\Caution;
use Ash\Logbook\Stage;
use Ash\Memory\ChipsExchanged;
use Ash\Memory\Comparison;
use Ash\Memory\DescribedMemories;
use Ash\Memory\FittedMemory;
use Ash\Memory\MemoryRun;
use Ash\Memory\Seen;
use Ash\Memory\Soak;
use Ash\Memory\SoakKept;
use Ash\Memory\Swap;
use Ash\Quantity\Notation;
use Illuminate\Support\Collection;

/** The memory of a job as it is handed out. */
final readonly class MemoryOfJob
{
    private const RUNS = 60;

    /**
     * @param ?string $map     key of the memory; the first of the job's board when absent
     * @param ?string $run     the run to look at; the latest when absent
     * @param ?string $against the run to compare it with
     */
    public static function of(Job $job, ?string $map, ?string $run, ?string $against): MemoryPage
    {
        $profile = $job->profile();
        $described = $profile->section(DescribedMemories::class) ?? new DescribedMemories([]);
        $memory = $map === null
            ? self::usual($job, $described->all)
            : ($described->memory($map) ?? throw InvalidDocument::at('/map', "the machine's profile has no memory \"{$map}\""));
        $runs = CompleteMemory::runs($job)
            ->limit(self::RUNS)
            ->get()
            ->filter(static fn (Entry $it): bool => $memory !== null && $it->as(MemoryRun::class)?->map === $memory->key)->values();
        $pick = static fn (?string $id, string $field): ?Entry => $id === null
            ? null
            : $runs->firstWhere('id', $id) ?? throw InvalidDocument::at("/{$field}", 'is not a run of this memory');
        $shown = $pick($run, 'run') ?? $runs->first();
        $other = $pick($against, 'against');
        $codes = $memory === null ? null : BoardCodes::of($job, $memory);
        $biased = $described->biasedChips();

        return new MemoryPage(
            job: Cards::job(Cards::jobs()->where('jobs.id', $job->id)->first() ?? abort(404)),
            board: Board::query()->findOrFail($job->board_id)->name, maps: array_map(MemoryCards::map(...), $described->all), map: $memory?->key,
            sockets: $memory === null ? null : MemoryCards::sockets($memory, Seen::of($memory->map, []), [], $codes?->chips->at(null) ?? []),
            runs: array_values($runs->map(static fn (Entry $it): MemoryRunRow => MemoryCards::runRow($it, self::run($it)))->all()),
            run: $shown === null ? null : MemoryCards::run($shown, self::run($shown), $codes?->chips->at($shown->at) ?? []),
            against: $other === null ? null : MemoryCards::run($other, self::run($other), $codes?->chips->at($other->at) ?? []),
            comparison: $shown === null || $other === null ? null : self::compare($shown, $other),
            suggestion: $memory === null || $job->state !== 'open' ? null : self::suggest($job, $memory, $runs),
            pending: $memory === null ? null : self::pending($job, $memory),
            listening: self::listening($job), ports: self::ports(), patterns: MemoryCards::patterns(), radices: MemoryCards::radices(),
            line_sorts: MemoryCards::lineSorts(),
            bias: $biased === [] ? null : implode(', ', $biased).': -5 V first on and last off, or +12 V destroys them. Measure it in before power (gate 3).',
            built: $codes?->built, most_text: Sources::MOST_TEXT, most_file: Sources::MOST_FILE,
            cautions: array_map(static fn (Caution $it): string => $it->words(), $profile->cautionsAt(Stage::Find)),
        );
    }

    public static function soak(Job $job): SoakPage
    {
        $profile = $job->profile();
        $described = $profile->section(DescribedMemories::class) ?? new DescribedMemories([]);

        return new SoakPage(
            job: Cards::job(Cards::jobs()->where('jobs.id', $job->id)->first() ?? abort(404)),
            maps: array_map(MemoryCards::map(...), $described->all), listening: self::listening($job),
            kept: array_values(CompleteMemory::standing($job, SoakKept::KIND)
                ->limit(self::RUNS)
                ->get()
                ->map(static fn (Entry $it): string => $it->data->sentence(''))->all()),
            ports: self::ports(), patterns: MemoryCards::patterns(),
            cautions: array_map(static fn (Caution $it): string => $it->words(), $profile->cautionsAt(Stage::Soak)),
        );
    }

    public static function bound(int $passes, int $errors, float $confidence, ?float $target, ?float $secondsPerPass): SoakCard
    {
        $soak = Soak::of($passes, $errors, $confidence, $target, $secondsPerPass);

        return new SoakCard(
            passes: $passes, errors: $errors,
            bound: 'at most '.Notation::plain($soak->upperRate * 100, 3).' % of passes fail ('.Notation::plain($confidence * 100, 4).' %)',
            reasons: $soak->reasons, passes_left: $soak->passesLeft,
            time_left: $soak->secondsLeft === null ? null : Soak::duration($soak->secondsLeft), target: $target,
            curve: array_map(
                static fn (array $it): SoakPoint => new SoakPoint($it['passes'], $it['upper'], $it['here']),
                Soak::curve($passes, $errors, $confidence, $target),
            ),
            gains: array_map(
                static fn (array $it): SoakGain => new SoakGain($it['says'], $it['upper']),
                Soak::gains($passes, $errors, $confidence, $secondsPerPass),
            ),
        );
    }

    /** @param list<FittedMemory> $memories */
    private static function usual(Job $job, array $memories): ?FittedMemory
    {
        $slot = Board::query()->findOrFail($job->board_id)->slot;
        $here = array_values(array_filter($memories, static fn (FittedMemory $it): bool => $it->board === $slot));

        return $here[0] ?? $memories[0] ?? null;
    }

    private static function compare(Entry $run, Entry $against): ComparisonCard
    {
        $now = self::run($run);
        $before = self::run($against);
        $memory = CompleteMemory::memoryOf($run, $now);
        $it = Comparison::of(
            $memory->map,
            Seen::kept($memory->map, $before->matrix),
            Seen::kept($memory->map, $now->matrix),
            $before->condition,
            $now->condition,
        );

        return new ComparisonCard(
            array_map(
                static fn (array $row): ComparedRow => new ComparedRow(
                    bank: $row['bank'],
                    bit: $row['bit'],
                    ref: $row['ref'],
                    one: $row['one'],
                    other: $row['other'],
                    change: $row['change'],
                    words: match ($row['change']) {
                        'gone' => 'only in the first',
                        'new' => 'only in the second',
                        default => 'in both',
                    },
                ),
                $it['rows'],
            ),
            $it['says'],
        );
    }

    /** @param Collection<int, Entry> $runs latest first */
    private static function suggest(Job $job, FittedMemory $memory, Collection $runs): ?SwapCard
    {
        $entry = $runs->first();
        $run = $entry?->as(MemoryRun::class);
        $top = $run?->top();
        if ($entry === null
            || $run === null
            || $top?->ref === null
            || !$top->isOneChip()
            || $run->swap !== null
            || !isset($memory->map->byRef["\0{$top->ref}"])) {
            return null;
        }
        if (CompleteMemory::pendingSwap($job, $memory->key) !== null) {
            return null;
        }
        $seen = Seen::kept($memory->map, $run->matrix);
        $swap = Swap::suggest($memory, $top->ref, $seen);

        return $swap === null ? null : new SwapCard(null, $entry->id, $swap->from, $swap->to, $swap->predicts($seen));
    }

    private static function pending(Job $job, FittedMemory $memory): ?SwapCard
    {
        $entry = CompleteMemory::pendingSwap($job, $memory->key);
        $swap = $entry?->as(ChipsExchanged::class);

        return $entry === null || $swap === null ? null : new SwapCard($entry->id, $swap->run, $swap->from, $swap->to, $swap->predicts);
    }

    private static function run(Entry $entry): MemoryRun
    {
        return $entry->as(MemoryRun::class) ?? throw new \LogicException('runs of a memory are listed by their map');
    }

    private static function listening(Job $job): ?SourceCard
    {
        $source = Source::query()->where('job_id', $job->id)->whereIn('state', Sources::active())->orderByDesc('started_at')->first();

        return $source === null ? null : MemoryCards::source($source);
    }

    /** @return list<SerialPortCard> */
    private static function ports(): array
    {
        return array_values(SerialPort::query()->where('active', true)->orderBy('name')->get()->map(SerialPortCard::of(...))->all());
    }
}
