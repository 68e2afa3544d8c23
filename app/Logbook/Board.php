<?php

declare(strict_types=1);

namespace App\Logbook;

use Illuminate\Database\Eloquent\Concerns\HasUlids;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * A board of a machine; it carries its record for life.
 *
 * @property string  $id
 * @property string  $machine_id
 * @property string  $slot        the profile's key for it
 * @property string  $name
 * @property ?string $serial
 * @property ?string $kind_id     its own, beside its machine's
 * @property ?string $merged_into the board that it turned out to be
 * @property Machine $sits
 */
final class Board extends Model
{
    use HasUlids;

    protected $fillable = ['id', 'machine_id', 'slot', 'name', 'serial', 'kind_id', 'merged_into'];

    /** @return BelongsTo<Machine, $this> */
    public function sits(): BelongsTo
    {
        return $this->belongsTo(Machine::class, 'machine_id');
    }
}
