<?php

declare(strict_types=1);

namespace App\Logbook;

use Ash\Document\InvalidDocument;
use Ash\Logbook\Entries\PhotoTaken;
use Ash\Logbook\Entries\Pin;
use Carbon\CarbonImmutable;

/**
 * A picture in a job's record. The file lies in the data folder, re-encoded and without what the camera wrote into it.
 *
 * @property string          $id
 * @property string          $job_id
 * @property string          $board_id    the job's main one: its record shows them
 * @property string          $author
 * @property int             $width
 * @property int             $height
 * @property int             $bytes
 * @property string          $sha256      of what was sent
 * @property CarbonImmutable $taken_in_at
 */
final class Photo extends ClientKeyed
{
    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['taken_in_at' => 'immutable_datetime', 'width' => 'integer', 'height' => 'integer', 'bytes' => 'integer'];
    }

    public function file(bool $thumbnail = false): string
    {
        return self::fileOf($this->id, $thumbnail);
    }

    public static function fileOf(string $id, bool $thumbnail = false): string
    {
        return storage_path("app/photos/{$id}".($thumbnail ? '.thumb' : '').'.jpg');
    }

    /** A picture must be this job's; a pin gets its number on it. */
    public static function complete(Job $job, PhotoTaken|Pin $data): PhotoTaken|Pin
    {
        if (!self::query()->where('job_id', $job->id)->where('id', $data->photo)->exists()) {
            throw InvalidDocument::at('/data/photo', 'is not a photo of this job');
        }
        if ($data instanceof PhotoTaken) {
            return $data;
        }
        $pins = Entry::query()->where('photo', $data->photo)->where('kind', Pin::KIND)->count();

        return new Pin($data->photo, $data->x, $data->y, $pins + 1);
    }
}
