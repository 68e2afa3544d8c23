<?php

declare(strict_types=1);

namespace App\Logbook;

use Ash\Document\Node;
use Ash\Logbook\Entries\PhotoTaken;
use Ash\Logbook\Entries\Pin;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;

/** The pictures of a job with their captions and pins, read from the record. */
final readonly class PhotoCards
{
    /** The latest that a board's record shows; the others stand with their jobs. */
    private const ON_BOARD = 40;

    /** @return list<PhotoCard> in time order */
    public static function of(Job $job): array
    {
        return self::cards(
            self::photos()->where('job_id', $job->id)->orderBy('taken_in_at')->orderBy('id')->get(),
            self::entries()->where('job_id', $job->id)->whereIn('kind', [PhotoTaken::KIND, Pin::KIND])->get(),
        );
    }

    /** The latest of all the board's jobs, or those before a place. */
    public static function ofBoard(Board $board, ?Node $before = null): PhotoList
    {
        $query = self::photos()->where('board_id', $board->id);
        if ($before !== null) {
            [$at, $id] = Cursor::read($before);
            $query->where('taken_in_at', '<=', $at)->where(static fn (Builder $q) => $q->where('taken_in_at', '<', $at)->orWhere('id', '<', $id));
        }
        $found = $query->orderByDesc('taken_in_at')->orderByDesc('id')->limit(self::ON_BOARD + 1)->get();
        $photos = $found->take(self::ON_BOARD)->reverse();
        $first = $photos->first();

        return new PhotoList(self::cards(
            $photos,
            self::entries()->whereIn('photo', $photos->pluck('id'))->get(),
        ), $first === null || $found->count() <= self::ON_BOARD ? null : Cursor::of($first, 'taken_in_at'));
    }

    /** Plain rows: with hundreds of pictures, models would cost more than the rest of the page. */
    private static function photos(): Builder
    {
        return DB::table('photos')->select('id', 'job_id', 'author', 'width', 'height', 'taken_in_at', 'imported');
    }

    /** Without an order: sorting long texts costs more than reading them. */
    private static function entries(): Builder
    {
        return DB::table('entries')->select('id', 'kind', 'at', 'text', 'data');
    }

    /**
     * @param Collection<int, \stdClass> $photos
     * @param Collection<int, \stdClass> $entries
     *
     * @return list<PhotoCard>
     */
    private static function cards(Collection $photos, Collection $entries): array
    {
        $pins = $said = [];
        foreach ($entries as $row) {
            $entry = new Row($row);
            $data = House::here()->hall->kinds->stored($entry->string('kind'), $entry->string('data'));
            if ($data instanceof Pin) {
                $pins[$data->photo][] = new PinCard($entry->string('id'), $data->number ?? 0, $data->x, $data->y, $entry->string('text'));
            } elseif ($data instanceof PhotoTaken && (!isset($said[$data->photo]) || $said[$data->photo]['at'] <= $entry->string('at'))) {
                $said[$data->photo] = ['at' => $entry->string('at'), 'text' => $entry->string('text'), 'of' => $data->of, 'phase' => $data->phase];
            }
        }

        return array_values(array_map(static function (object $row) use ($said, $pins): PhotoCard {
            $photo = new Row($row);
            $id = $photo->string('id');
            $here = $pins[$id] ?? [];
            usort($here, static fn (PinCard $a, PinCard $b): int => $a->number <=> $b->number);

            return new PhotoCard(
                id: $id, caption: $said[$id]['text'] ?? '', of: $said[$id]['of'] ?? null, phase: $said[$id]['phase'] ?? null,
                at: Cards::time($photo->string('taken_in_at')),
                author: Entry::writtenBy($photo->string('author'), $photo->int('imported') === 0),
                width: $photo->int('width'), height: $photo->int('height'), url: "/photos/{$id}", thumbnail: "/photos/{$id}/thumbnail", pins: $here,
            );
        }, $photos->all()));
    }
}
