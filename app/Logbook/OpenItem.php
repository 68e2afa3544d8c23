<?php

declare(strict_types=1);

namespace App\Logbook;

use Carbon\CarbonImmutable;

/**
 * A hazard or a waiting that an entry opened and no entry has ended. Follows from the record.
 *
 * @property string           $id       the entry that opened it
 * @property string           $job_id
 * @property ?string          $board_id
 * @property string           $kind     hazard or waiting
 * @property string           $text
 * @property ?string          $asked
 * @property CarbonImmutable  $since
 * @property ?CarbonImmutable $due
 * @property bool             $open
 * @property ?string          $ended_by
 * @property ?string          $ready    where what it waits for lies now
 */
final class OpenItem extends ClientKeyed
{
    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['since' => 'immutable_datetime', 'due' => 'immutable_datetime', 'open' => 'boolean'];
    }
}
