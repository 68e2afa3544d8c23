<?php

declare(strict_types=1);

namespace App\Logbook;

/** A picture as it will lie in the data folder, with its thumbnail, still under names of their own. */
final readonly class DrawnPhoto
{
    public function __construct(public string $file, public string $thumbnail, public int $width, public int $height, public int $bytes)
    {
    }
}
