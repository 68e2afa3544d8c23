<?php

declare(strict_types=1);

namespace App\Logbook;

use App\Http\Conflict;
use App\Http\Once;
use App\People\Person;
use Ash\Document\InvalidDocument;
use Ash\Logbook\EntryDraft;
use Illuminate\Database\UniqueConstraintViolationException;
use Illuminate\Http\UploadedFile;
use Intervention\Image\Drivers\Gd\Driver;
use Intervention\Image\Exceptions\RuntimeException as Unreadable;
use Intervention\Image\ImageManager;

/**
 * A picture on its way into the record: checked by what is in it and not by its name, turned upright, re-encoded (which leaves
 * place, time and camera behind), at most 2000 pixels, with a thumbnail. File, row and entry are there together or not at all.
 */
final readonly class TakePhoto
{
    public const MAX_BYTES = 20_000_000;
    /** Decoded, four bytes a pixel and a copy that is smaller: four at once stay inside 700 MB. */
    private const MAX_PIXELS = 36_000_000;
    private const LONGEST = 2000;
    private const THUMBNAIL = 320;
    private const TYPES = ['image/jpeg' => ['jpg', 'jpeg'], 'image/png' => ['png'], 'image/webp' => ['webp']];

    public static function into(Job $job, string $id, EntryDraft $draft, ?UploadedFile $file, Person $who): Photo
    {
        $known = self::known($job, $id);
        if ($known !== null) {
            return $known;
        }
        $path = self::checked($file);
        $photo = new Photo([
            'id' => $id,
            'job_id' => $job->id, 'board_id' => $job->board_id,
            'author' => $who->name,
            'bytes' => filesize($path),
            'sha256' => hash_file('sha256', $path),
            'taken_in_at' => now(),
        ]);
        // Under a name of its own until the row is in: the same picture sent twice at once must not take the first one's file away.
        $mark = '.'.bin2hex(random_bytes(6));
        try {
            self::encode($path, $photo, $mark);
            Once::transaction(static function () use ($photo, $job, $draft, $who, $mark): void {
                $photo->save();
                Append::to($job->id, $draft, $who);
                rename($photo->file().$mark, $photo->file());
                rename($photo->file(true).$mark, $photo->file(true));
            });
        } catch (UniqueConstraintViolationException $problem) {
            return self::known($job, $id) ?? throw $problem;
        } finally {
            @unlink($photo->file().$mark);
            @unlink($photo->file(true).$mark);
        }

        return $photo;
    }

    private static function known(Job $job, string $id): ?Photo
    {
        $known = Photo::query()->where('id', $id)->first();

        return $known === null || $known->job_id === $job->id ? $known : throw Conflict::at('/id', 'another photo has this id');
    }

    /**
     * A picture that came with a board's record.
     *
     * @throws InvalidDocument
     */
    public static function drawn(string $path): DrawnPhoto
    {
        filesize($path) <= self::MAX_BYTES || throw InvalidDocument::at('', 'is larger than 20 MB');
        self::readable($path);

        return self::draw($path, "{$path}.drawn", "{$path}.thumb");
    }

    private static function checked(?UploadedFile $file): string
    {
        if ($file === null || (!$file->isValid() && $file->getError() === UPLOAD_ERR_NO_FILE)) {
            throw InvalidDocument::at('/file', 'is missing: choose a JPEG, PNG or WebP picture');
        }
        if (!$file->isValid() || $file->getSize() > self::MAX_BYTES) {
            throw InvalidDocument::at('/file', 'is larger than 20 MB or did not arrive whole');
        }
        $path = $file->getPathname();
        $type = self::readable($path);
        $extension = mb_strtolower($file->getClientOriginalExtension());
        if ($extension !== '' && !in_array($extension, self::TYPES[$type], true)) {
            throw InvalidDocument::at('/file', "is called .{$extension} and is {$type}: a file that lies about its type is not taken");
        }

        return $path;
    }

    /** @return key-of<self::TYPES> what it is, whatever its name says */
    private static function readable(string $path): string
    {
        $type = (new \finfo(FILEINFO_MIME_TYPE))->file($path) ?: '';
        if (preg_match('/^....ftyp(heic|heix|hevc|heim|mif1|msf1)/s', (string) file_get_contents($path, length: 12)) === 1) {
            throw InvalidDocument::at('/file', 'is a HEIC picture, which this server cannot read: set the camera to JPEG, or export it as JPEG');
        }
        if (!isset(self::TYPES[$type])) {
            throw InvalidDocument::at('/file', "is not a JPEG, PNG or WebP picture, whatever its name says (it is {$type})");
        }
        $size = @getimagesize($path);
        if ($size === false || $size[0] * $size[1] > self::MAX_PIXELS) {
            throw InvalidDocument::at('/file', $size === false
                ? 'cannot be read: it is damaged'
                : 'has more than 36 million pixels: choose a smaller size in the camera');
        }
        self::isWhole($path, $type) || throw InvalidDocument::at('/file', 'is cut off: its end is missing');

        return $type;
    }

    /** Each kind of picture says where it ends: JPEG with a marker, PNG with a chunk, WebP with a length in its head. */
    private static function isWhole(string $path, string $type): bool
    {
        $bytes = (int) filesize($path);
        $end = (string) file_get_contents($path, offset: max(0, $bytes - 65_536));

        return match ($type) {
            'image/jpeg' => str_contains($end, "\xFF\xD9"),
            'image/png' => str_contains($end, "IEND\xAE\x42\x60\x82"),
            default => $bytes >= 8 + (((array) unpack('V', (string) file_get_contents($path, offset: 4, length: 4)))[1] ?? PHP_INT_MAX),
        };
    }

    private static function encode(string $path, Photo $photo, string $mark): void
    {
        is_dir(dirname($photo->file())) || mkdir(dirname($photo->file()), 0o750, true);
        $drawn = self::draw($path, $photo->file().$mark, $photo->file(true).$mark);
        $photo->width = $drawn->width;
        $photo->height = $drawn->height;
    }

    private static function draw(string $path, string $file, string $thumbnail): DrawnPhoto
    {
        ini_set('memory_limit', '320M');
        try {
            $image = (new ImageManager(new Driver()))->read($path)->scaleDown(self::LONGEST, self::LONGEST);
        } catch (Unreadable) {
            throw InvalidDocument::at('/file', 'cannot be read: it is damaged');
        }
        [$width, $height] = [$image->width(), $image->height()];
        $image->toJpeg(84)->save($file);
        $image->scaleDown(self::THUMBNAIL, self::THUMBNAIL)->toJpeg(78)->save($thumbnail);

        return new DrawnPhoto($file, $thumbnail, $width, $height, (int) filesize($file));
    }
}
