<?php

declare(strict_types=1);

namespace App\Logbook;

use Ash\Document\Node;
use Ash\Logbook\Profile;
use Illuminate\Database\Eloquent\Concerns\HasUlids;
use Illuminate\Database\Eloquent\Model;

/**
 * What all machines, or all boards, of one make share: a description with revisions that grows from work.
 *
 * @property string  $id
 * @property string  $slug
 * @property string  $name
 * @property string  $words       what it is, in a line
 * @property string  $profile     JSON document, as it was accepted
 * @property int     $revision
 * @property bool    $of_board    of boards, not of machines
 * @property ?string $merged_into the kind that it turned out to be
 */
final class Kind extends Model
{
    use HasUlids;

    protected $fillable = ['id', 'slug', 'name', 'words', 'profile', 'revision', 'of_board', 'merged_into'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['of_board' => 'boolean'];
    }

    public function readProfile(): Profile
    {
        return House::here()->hall->profile(Node::parse($this->profile));
    }
}
