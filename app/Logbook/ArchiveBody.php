<?php

declare(strict_types=1);

namespace App\Logbook;

use App\Http\ApiBody;

/** A board's archive comes in. */
#[ApiBody(file: 'ZIP, at most 100 MB')]
final readonly class ArchiveBody
{
}
