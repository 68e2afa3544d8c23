<?php

declare(strict_types=1);

namespace App\Report;

use App\Logbook\Board;
use App\Logbook\Entry;
use App\Logbook\House;
use App\Logbook\Job;
use App\Logbook\Machine;
use App\Logbook\Photo;
use App\Logbook\PhotoCard;
use App\Logbook\PhotoCards;
use App\Logbook\PinCard;
use App\Logbook\ReportOf;
use App\Logbook\ReportTable;
use App\Logbook\Room;
use Ash\Logbook\Entries\FixUndone;
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

    /** @return Collection<int, Entry> entries of a kind that stand */
    public function standing(string $kind): Collection
    {
        return $this->entries->filter(fn (Entry $entry): bool => $entry->kind === $kind && !isset($this->corrected[$entry->id]))->values();
    }

    /** @return list<ReportTable> of the rooms */
    public function tables(): array
    {
        $of = new ReportOf($this->job, $this->entries->reject(fn (Entry $entry): bool => isset($this->corrected[$entry->id]))->values());

        return array_merge(...array_map(static fn (Room $room): array => $room->report($of), House::here()->rooms));
    }

    /** @return list<array{text: string, since: string, undone: ?string}> every temporary fix and whether it was undone */
    public function hazards(): array
    {
        $ends = $this->standing(FixUndone::KIND)->keyBy(static fn (Entry $entry): string => $entry->as(FixUndone::class)->hazard ?? '');

        return array_values($this->standing(LogbookRoom::HAZARD)->map(static fn (Entry $entry): array => [
            'text' => $entry->text, 'since' => $entry->at->format('j M Y'), 'undone' => $ends->get($entry->id)?->at->format('j M Y'),
        ])->all());
    }

    /**
     * @return list<list<array{image: string, says: string, pins: list<string>}>> rows as the page shows them: before beside after, then the others in threes
     */
    public function photos(): array
    {
        $pairs = $others = [];
        foreach (PhotoCards::of($this->job) as $card) {
            if ($card->of !== null && $card->phase !== null) {
                $pairs[$card->of][$card->phase === Phase::Before ? 0 : 1] = self::photo($card);
            } else {
                $others[] = self::photo($card);
            }
        }

        return [...array_map(static function (array $pair): array {
            ksort($pair);

            return array_values($pair);
        }, array_values($pairs)), ...array_chunk($others, 3)];
    }

    /** @return array{image: string, says: string, pins: list<string>} the thumbnail as the page carries it */
    private static function photo(PhotoCard $card): array
    {
        $file = Photo::query()->findOrFail($card->id)->file(true);
        $of = $card->of === null ? '' : $card->of.($card->phase === null ? '' : ", {$card->phase->value}");

        return [
            'image' => is_file($file) ? 'data:image/jpeg;base64,'.base64_encode((string) file_get_contents($file)) : '',
            'says' => implode('. ', array_filter([$of, $card->caption])),
            'pins' => array_map(static fn (PinCard $pin): string => "{$pin->number}: {$pin->text}", $card->pins),
        ];
    }

    /** @return Collection<int, Entry> the course of the work, without what stands in a table of its own */
    public function course(): Collection
    {
        $held = [StageEntered::KIND, ...array_merge(...array_map(static fn (ReportTable $table): array => $table->holds, $this->tables()))];

        return $this->entries->reject(static fn (Entry $entry): bool => in_array($entry->kind, $held, true))->values();
    }

    public function kind(Entry $entry): string
    {
        return ucfirst(House::here()->hall->kinds->all[$entry->kind]->words ?? $entry->kind);
    }

    public function note(Entry $entry): string
    {
        $later = $this->corrected[$entry->id] ?? null;

        return match (true) {
            $later !== null => $later->kind === LogbookRoom::WITHDRAWN ? 'withdrawn later' : 'corrected later',
            $entry->corrects_id !== null => 'corrects an earlier entry',
            default => '',
        };
    }
}
