<?php

declare(strict_types=1);

namespace App\Logbook;

use Illuminate\Database\Eloquent\Concerns\HasUlids;
use Illuminate\Database\Eloquent\Model;

/**
 * A board of a machine; it carries its record for life.
 *
 * @property string  $id
 * @property string  $machine_id
 * @property string  $slot        the profile's key for it
 * @property string  $name
 * @property ?string $serial
 * @property ?string $merged_into the board that it turned out to be
 */
final class Board extends Model
{
    use HasUlids;

    protected $fillable = ['id', 'machine_id', 'slot', 'name', 'serial', 'merged_into'];
}
