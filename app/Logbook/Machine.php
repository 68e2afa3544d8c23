<?php

declare(strict_types=1);

namespace App\Logbook;

use Ash\Document\Node;
use Ash\Logbook\Profile;
use Illuminate\Database\Eloquent\Concerns\HasUlids;
use Illuminate\Database\Eloquent\Model;

/**
 * One machine and its profile.
 *
 * @property string $id
 * @property string $slug
 * @property string $name
 * @property string $kind
 * @property string $profile  JSON document, as it was accepted
 * @property int    $revision
 */
final class Machine extends Model
{
    use HasUlids;

    protected $fillable = ['slug', 'name', 'kind', 'profile', 'revision'];

    public function readProfile(): Profile
    {
        return House::here()->hall->profile(Node::parse($this->profile));
    }
}
