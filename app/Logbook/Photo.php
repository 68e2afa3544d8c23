<?php

declare(strict_types=1);

namespace App\Logbook;

use Ash\Document\InvalidDocument;
use Ash\Logbook\EntryKind;
use Carbon\CarbonImmutable;

/**
 * A picture in a job's record. The file lies in the data folder, re-encoded and without what the camera wrote into it.
 *
 * @property string          $id
 * @property string          $job_id
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
        return storage_path('app/photos/'.$this->id.($thumbnail ? '.thumb' : '').'.jpg');
    }

    /**
     * @param array<string, mixed> $data of a photo or a pin
     *
     * @return array<string, mixed> a pin with its number on the photo
     */
    public static function complete(Job $job, EntryKind $kind, array $data): array
    {
        $id = is_string($data['photo'] ?? null) ? $data['photo'] : '';
        if (!self::query()->where('job_id', $job->id)->where('id', $id)->exists()) {
            throw InvalidDocument::at('/data/photo', 'is not a photo of this job');
        }
        if ($kind === EntryKind::Photo) {
            return $data;
        }
        $pins = Entry::query()->where('job_id', $job->id)->where('kind', EntryKind::Pin)->where('data->photo', $id)->count();

        return [...$data, 'number' => $pins + 1];
    }
}
