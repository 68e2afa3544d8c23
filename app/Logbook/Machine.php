<?php

declare(strict_types=1);

namespace App\Logbook;

use Ash\Logbook\Profile;
use Illuminate\Database\Eloquent\Concerns\HasUlids;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * One machine, a specimen of its kind.
 *
 * @property string  $id
 * @property string  $slug
 * @property string  $name
 * @property ?string $serial
 * @property ?string $owner
 * @property string  $kind_id
 * @property ?string $merged_into the machine that it turned out to be
 * @property bool    $bare        no machine, but the place of a board that is in none
 * @property Kind    $described
 */
final class Machine extends Model
{
    use HasUlids;

    protected $fillable = ['id', 'slug', 'name', 'serial', 'owner', 'kind_id', 'bare', 'merged_into'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['bare' => 'boolean'];
    }

    /** @return BelongsTo<Kind, $this> */
    public function described(): BelongsTo
    {
        return $this->belongsTo(Kind::class, 'kind_id');
    }

    public function readProfile(): Profile
    {
        return $this->described->readProfile();
    }
}
