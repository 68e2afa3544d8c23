<?php

declare(strict_types=1);

namespace App\Rails;

use App\Logbook\ClientKeyed;
use Carbon\CarbonImmutable;

/**
 * A probe run: readings taken one after the other for one purpose.
 *
 * @property string          $id         ULID made by the client
 * @property string          $job_id
 * @property string          $board_id
 * @property string          $room
 * @property ?string         $repeats_id the run it is compared with
 * @property CarbonImmutable $started_at
 * @property string          $author
 */
final class Run extends ClientKeyed
{
    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['started_at' => 'immutable_datetime'];
    }
}
