<?php

declare(strict_types=1);

namespace App\Logbook;

use Ash\Logbook\EntryKind;
use Illuminate\Support\Collection;

/** The pictures of a job with their captions and pins, read from the record. */
final readonly class PhotoCards
{
    /** The latest that a board's record shows; the others stand with their jobs. */
    private const ON_BOARD = 40;

    /** @return list<PhotoCard> in time order */
    public static function of(Job $job): array
    {
        $entries = Entry::query()->where('job_id', $job->id)->whereIn('kind', [EntryKind::Photo, EntryKind::Pin])->orderBy('at')->orderBy('id')->get(['id', 'kind', 'text', 'data']);

        return self::cards(Photo::query()->where('job_id', $job->id)->orderBy('taken_in_at')->orderBy('id')->get(), $entries);
    }

    /** @return list<PhotoCard> the latest of all the board's jobs, in time order */
    public static function ofBoard(Board $board): array
    {
        $photos = Photo::query()->whereIn('job_id', Job::query()->select('id')->where('board_id', $board->id))->orderByDesc('taken_in_at')->orderByDesc('id')->limit(self::ON_BOARD)->get()->reverse();
        $entries = $photos->isEmpty() ? collect() : Entry::query()->whereIn('job_id', $photos->pluck('job_id')->unique())->whereIn('kind', [EntryKind::Photo, EntryKind::Pin])->whereIn('data->photo', $photos->pluck('id'))->orderBy('at')->orderBy('id')->get(['id', 'kind', 'text', 'data']);

        return self::cards($photos, $entries);
    }

    /**
     * @param Collection<int, Photo> $photos
     * @param Collection<int, Entry> $entries
     *
     * @return list<PhotoCard>
     */
    private static function cards(Collection $photos, Collection $entries): array
    {
        $pins = $said = [];
        foreach ($entries as $entry) {
            $photo = Record::word($entry, 'photo');
            if ($entry->kind === EntryKind::Photo) {
                $said[$photo] = $entry;
            } else {
                /** @var array{x: float|int, y: float|int, number: int} $data */
                $data = $entry->data;
                $pins[$photo][] = new PinCard($entry->id, $data['number'], (float) $data['x'], (float) $data['y'], $entry->text);
            }
        }

        return array_values(array_map(static fn (Photo $photo): PhotoCard => new PhotoCard(
            $photo->id, $said[$photo->id]->text ?? '', Record::word($said[$photo->id] ?? null, 'of') ?: null, Record::word($said[$photo->id] ?? null, 'phase') ?: null,
            $photo->taken_in_at->format(Cards::TIME), $photo->author, $photo->width, $photo->height, "/photos/{$photo->id}", "/photos/{$photo->id}/thumbnail", $pins[$photo->id] ?? [],
        ), $photos->all()));
    }
}
