<?php

declare(strict_types=1);

namespace App\Report;

use App\Logbook\Board;
use App\Logbook\Entry;
use App\Logbook\Job;
use App\Logbook\Machine;
use App\Logbook\Photo;
use App\Logbook\PhotoCard;
use App\Logbook\PhotoCards;
use App\Logbook\PinCard;
use Ash\Logbook\EntryKind;
use Ash\Logbook\EntryWords;
use Ash\Quantity\Notation;
use Ash\Quantity\Unit;
use Ash\Rails\Limits;
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
    public function standing(EntryKind $kind): Collection
    {
        return $this->entries->filter(fn (Entry $entry): bool => $entry->kind === $kind && !isset($this->corrected[$entry->id]))->values();
    }

    public function says(Entry $entry): string
    {
        return EntryWords::of($entry->kind, $entry->text, $entry->data);
    }

    /** @return list<array{place: string, load: string, value: string, ripple: string, limits: string, band: string, verdict: string, at: string, author: string, good: bool}> */
    public function readings(): array
    {
        return array_values($this->standing(EntryKind::Reading)->map(static function (Entry $entry): array {
            /** @var array{rail: string, test_point: string, load: string, volts?: float, ripple_mvpp?: float, ohms_to_ground?: float, band: string, limits_v: array{low: float, high: float}, verdict: ?string} $data */
            $data = $entry->data;

            return [
                'place' => "{$data['rail']} at {$data['test_point']}",
                'load' => \Ash\Rails\Load::from($data['load'])->words(),
                'value' => isset($data['volts']) ? Notation::print($data['volts'], Unit::Volt) : Notation::print($data['ohms_to_ground'] ?? 0.0, Unit::Ohm).' to ground',
                'ripple' => isset($data['ripple_mvpp']) ? Notation::plain($data['ripple_mvpp'], 3).' mVpp' : '',
                'limits' => Limits::between($data['limits_v']['low'], $data['limits_v']['high'])->words(),
                'band' => $data['band'],
                'verdict' => \Ash\Rails\Verdict::tryFrom($data['verdict'] ?? '')?->words() ?? 'no voltage',
                'at' => $entry->at->format('j M Y H:i'),
                'author' => $entry->author,
                'good' => \Ash\Rails\Verdict::tryFrom($data['verdict'] ?? '')?->good() ?? false,
            ];
        })->all());
    }

    /** @return list<array{text: string, since: string, undone: ?string}> every temporary fix and whether it was undone */
    public function hazards(): array
    {
        $ends = $this->standing(EntryKind::Undone)->keyBy(static fn (Entry $entry): string => is_string($entry->data['hazard'] ?? null) ? $entry->data['hazard'] : '');

        return array_values($this->standing(EntryKind::Hazard)->map(static fn (Entry $entry): array => [
            'text' => $entry->text, 'since' => $entry->at->format('j M Y'), 'undone' => $ends->get($entry->id)?->at->format('j M Y'),
        ])->all());
    }

    /** @return list<list<array{image: string, says: string, pins: list<string>}>> rows as the page shows them: before beside after, then the others in threes */
    public function photos(): array
    {
        $pairs = $others = [];
        foreach (PhotoCards::of($this->job) as $card) {
            if ($card->of !== null && $card->phase !== null) {
                $pairs[$card->of][$card->phase === 'before' ? 0 : 1] = self::photo($card);
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

        return [
            'image' => is_file($file) ? 'data:image/jpeg;base64,'.base64_encode((string) file_get_contents($file)) : '',
            'says' => implode('. ', array_filter([$card->of === null ? '' : $card->of.($card->phase === null ? '' : ", {$card->phase}"), $card->caption])),
            'pins' => array_map(static fn (PinCard $pin): string => "{$pin->number}: {$pin->text}", $card->pins),
        ];
    }

    /** @return Collection<int, Entry> the course of the work, without the readings that stand in their own table */
    public function course(): Collection
    {
        return $this->entries->reject(static fn (Entry $entry): bool => $entry->kind === EntryKind::Reading || $entry->kind === EntryKind::Stage)->values();
    }

    public function note(Entry $entry): string
    {
        $later = $this->corrected[$entry->id] ?? null;

        return match (true) {
            $later !== null => $later->kind === EntryKind::Withdrawn ? 'withdrawn later' : 'corrected later',
            $entry->corrects_id !== null => 'corrects an earlier entry',
            default => '',
        };
    }
}
