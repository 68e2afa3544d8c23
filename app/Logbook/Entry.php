<?php

declare(strict_types=1);

namespace App\Logbook;

use Ash\Logbook\EntryKind;
use Ash\Logbook\Stage;
use Carbon\CarbonImmutable;

/**
 * One entry of the record. Never changed and never deleted: the database refuses both.
 *
 * @property string               $id          ULID made by the client
 * @property string               $job_id
 * @property ?string              $board_id
 * @property EntryKind            $kind
 * @property Stage                $stage
 * @property CarbonImmutable      $at
 * @property ?string              $person_id
 * @property string               $author
 * @property int                  $minutes
 * @property string               $text
 * @property array<string, mixed> $data
 * @property ?string              $corrects_id
 * @property string               $fingerprint SHA-256 of what was handed in
 * @property CarbonImmutable      $received_at
 */
final class Entry extends ClientKeyed
{
    /** @return array<string, string> */
    protected function casts(): array
    {
        return [
            'kind' => EntryKind::class,
            'stage' => Stage::class,
            'at' => 'immutable_datetime',
            'received_at' => 'immutable_datetime',
            'data' => 'array',
        ];
    }
}
