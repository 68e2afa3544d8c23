<?php

declare(strict_types=1);

namespace App\Report;

use App\Logbook\Board;
use App\Logbook\Entry;
use App\Logbook\House;
use App\Logbook\Job;
use App\Logbook\Machine;
use App\Logbook\PhotoCards;
use App\Logbook\ReportOf;
use App\Logbook\ReportTable;
use App\Logbook\Room;
use Ash\Logbook\Entries\FixUndone;
use Ash\Logbook\Entries\GatePassed;
use Ash\Logbook\Entries\PartReplaced;
use Ash\Logbook\Entries\Phase;
use Ash\Logbook\Entries\StageEntered;
use Ash\Logbook\LogbookRoom;
use Illuminate\Support\Collection;

/** What goes onto the report of a job, in words and in the order it is read. */
final readonly class ReportSheet
{
    /**
     * @param Collection<int, Entry> $entries   in time order
     * @param array<string, Entry>   $corrected the later entry by the one it corrects
     */
    private function __construct(public Job $job, public Machine $machine, public Board $board, private Collection $entries, private array $corrected)
    {
    }

    public static function of(Job $job): self
    {
        $entries = Entry::query()->where('job_id', $job->id)->orderBy('at')->orderBy('id')->get();
        $corrected = [];
        foreach ($entries as $entry) {
            if ($entry->corrects_id !== null) {
                $corrected[$entry->corrects_id] = $entry;
            }
        }

        return new self($job, Machine::query()->findOrFail($job->machine_id), Board::query()->findOrFail($job->board_id), $entries, $corrected);
    }

    /** The page, as it is shown and printed. */
    public function whole(): string
    {
        return $this->html($this->sections(), true, true);
    }

    /** @param list<Section> $sections */
    public function html(array $sections, bool $first, bool $last): string
    {
        return view('report', ['sheet' => $this, 'sections' => $sections, 'first' => $first, 'last' => $last])->render();
    }

    /** @return array{int, ?string} how many entries there are, and which was taken last: the record is only ever added to */
    public function lastEntries(): array
    {
        return [$this->entries->count(), $this->entries->max('id')];
    }

    /** @return Collection<int, Entry> entries of a kind that stand */
    public function standing(string $kind): Collection
    {
        return $this->entries->filter(fn (Entry $entry): bool => $entry->kind === $kind && !isset($this->corrected[$entry->id]))->values();
    }

    /** @return list<Section> in the order they are read, without empty ones but for the course of the work */
    public function sections(): array
    {
        $of = new ReportOf($this->job, $this->entries->reject(fn (Entry $entry): bool => isset($this->corrected[$entry->id]))->values());
        $tables = array_merge(...array_map(static fn (Room $room): array => $room->report($of), House::here()->rooms));
        $measured = array_map(
            static fn (ReportTable $table): Section => new Section(
                $table->title,
                array_map(static fn (array $row): Row => new Row($row['cells'], $row['bad']), $table->rows),
                $table->columns,
            ),
            $tables,
        );

        return [
            ...array_values(array_filter(
                [...$measured, $this->parts(), $this->hazards(), $this->gates(), new Section('Photos', $this->photos())],
                static fn (Section $it): bool => $it->rows !== [],
            )),
            $this->course(array_merge(...array_map(static fn (ReportTable $table): array => $table->holds, $tables))),
        ];
    }

    private function parts(): Section
    {
        return new Section('Parts replaced', array_values($this->standing(PartReplaced::KIND)->map(static fn (Entry $entry): Row => new Row(
            [$entry->data->sentence('')],
            small: "({$entry->at->format('j M Y')}, {$entry->by()})",
        ))->all()));
    }

    /** Every temporary fix and whether it was undone. */
    private function hazards(): Section
    {
        $ends = $this->standing(FixUndone::KIND)->keyBy(static fn (Entry $entry): string => $entry->as(FixUndone::class)->hazard ?? '');

        return new Section('Temporary fixes', array_values($this->standing(LogbookRoom::HAZARD)->map(static function (Entry $entry) use ($ends): Row {
            $undone = $ends->get($entry->id)?->at->format('j M Y');

            return new Row(["{$entry->text}, since {$entry->at->format('j M Y')}: ".($undone === null ? 'still open' : "undone {$undone}")], $undone === null);
        })->all()));
    }

    private function gates(): Section
    {
        return new Section(
            'Gates passed',
            array_values($this->standing(GatePassed::KIND)->map(static fn (Entry $entry): Row => new Row(
                [$entry->says()],
                small: "({$entry->at->format('j M Y H:i')}, {$entry->by()})",
            ))->all()),
            before: 'Power was not advised and was applied all the same:',
        );
    }

    /** @return list<Row> before beside after, then the others in threes */
    private function photos(): array
    {
        $pairs = $others = [];
        foreach (PhotoCards::of($this->job) as $card) {
            if ($card->of !== null && $card->phase !== null) {
                $pairs[$card->of][$card->phase === Phase::Before ? 0 : 1] = Picture::of($card);
            } else {
                $others[] = Picture::of($card);
            }
        }

        return [...array_map(static function (array $pair): Row {
            ksort($pair);

            return new Row([], pictures: array_values($pair));
        }, array_values($pairs)), ...array_map(static fn (array $three): Row => new Row([], pictures: $three), array_chunk($others, 3))];
    }

    /** @param list<string> $held kinds of entries that stand in a table of their own */
    private function course(array $held): Section
    {
        $entries = $this->entries->reject(static fn (Entry $entry): bool => in_array($entry->kind, [StageEntered::KIND, ...$held], true));

        return new Section('Course of the work', array_values($entries->map(fn (Entry $entry): Row => new Row(
            [$entry->at->format('j M Y H:i'), $entry->by(), "{$this->kind($entry)}: {$entry->says()}"],
            small: $this->note($entry),
        ))->all()), ['When', 'Who', 'What']);
    }

    private function kind(Entry $entry): string
    {
        return ucfirst(House::here()->hall->kinds->all[$entry->kind]->words ?? $entry->kind);
    }

    private function note(Entry $entry): string
    {
        $later = $this->corrected[$entry->id] ?? null;

        return match (true) {
            $later !== null => $later->kind === LogbookRoom::WITHDRAWN ? '[withdrawn later]' : '[corrected later]',
            $entry->corrects_id !== null => '[corrects an earlier entry]',
            default => '',
        };
    }
}
