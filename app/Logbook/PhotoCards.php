<?php

declare(strict_types=1);

namespace App\Logbook;

use Ash\Logbook\EntryKind;

/** The pictures of a job with their captions and pins, read from the record. */
final readonly class PhotoCards
{
    /** @return list<PhotoCard> */
    public static function of(Job $job): array
    {
        $pins = $captions = [];
        foreach (Entry::query()->where('job_id', $job->id)->whereIn('kind', [EntryKind::Photo, EntryKind::Pin])->orderBy('at')->orderBy('id')->get() as $entry) {
            $photo = Record::word($entry, 'photo');
            if ($entry->kind === EntryKind::Photo) {
                $captions[$photo] = $entry->text;
            } else {
                /** @var array{x: float|int, y: float|int, number: int} $data */
                $data = $entry->data;
                $pins[$photo][] = new PinCard($data['number'], (float) $data['x'], (float) $data['y'], $entry->text);
            }
        }

        return array_map(static fn (Photo $photo): PhotoCard => new PhotoCard(
            $photo->id, $captions[$photo->id] ?? '', $photo->taken_in_at->format(Cards::TIME), $photo->author, $photo->width, $photo->height, "/photos/{$photo->id}", "/photos/{$photo->id}/thumbnail", $pins[$photo->id] ?? [],
        ), array_values(Photo::query()->where('job_id', $job->id)->orderBy('taken_in_at')->orderBy('id')->get()->all()));
    }
}
