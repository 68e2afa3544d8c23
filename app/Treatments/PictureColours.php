<?php

declare(strict_types=1);

namespace App\Treatments;

use App\Logbook\Job;
use App\Logbook\Photo;
use Ash\Document\InvalidDocument;
use Ash\Treatments\ColourRead;
use Ash\Treatments\Disc;
use Ash\Treatments\Spot;

/** Colours of a stored picture: the browser only says where. */
final readonly class PictureColours
{
    /** Pixels of a disc that are looked at, on a grid. */
    private const PIXELS = 10_000;

    public static function read(ColourRead $data, Job $job): ColourRead
    {
        $photo = Photo::query()->where('job_id', $job->id)->where('id', $data->photo)->first()
            ?? throw InvalidDocument::at('/data/photo', 'is not a photo of this job');
        $image = is_file($photo->file()) ? imagecreatefromjpeg($photo->file()) : false;
        $image !== false || throw InvalidDocument::at('/data/photo', 'the picture itself is not here: it was not brought in with the record');

        return $data->judged(
            array_map(static fn (Spot $it): Disc => self::disc($image, $it, $data->radius), $data->places),
            self::disc($image, $data->reference, $data->radius),
            self::disc($image, $data->grey, $data->radius),
        );
    }

    private static function disc(\GdImage $image, Spot $at, float $share): Disc
    {
        [$width, $height] = [imagesx($image), imagesy($image)];
        $radius = max(1.0, $share * $width);
        [$x0, $y0] = [$at->x * ($width - 1), $at->y * ($height - 1)];
        $step = max(1.0, sqrt(M_PI * $radius ** 2 / self::PIXELS));
        $pixels = [];
        for ($y = -$radius; $y <= $radius; $y += $step) {
            for ($x = -$radius; $x <= $radius; $x += $step) {
                [$px, $py] = [(int) round($x0 + $x), (int) round($y0 + $y)];
                if ($x ** 2 + $y ** 2 <= $radius ** 2 && $px >= 0 && $py >= 0 && $px < $width && $py < $height) {
                    $rgb = (int) imagecolorat($image, $px, $py);
                    $pixels[] = [($rgb >> 16) & 255, ($rgb >> 8) & 255, $rgb & 255];
                }
            }
        }
        $middle = (int) imagecolorat($image, (int) round($x0), (int) round($y0));

        return Disc::of($pixels === [] ? [[($middle >> 16) & 255, ($middle >> 8) & 255, $middle & 255]] : $pixels);
    }
}
