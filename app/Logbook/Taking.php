<?php

declare(strict_types=1);

namespace App\Logbook;

use App\People\Person;
use Ash\Logbook\EntryDraft;
use Ash\Logbook\Profile;

/** An entry on its way into the record. */
final readonly class Taking
{
    /** @param bool $only it is only asked what would become of it: nothing outside the database may be touched, and that is undone */
    public function __construct(public Job $job, public Profile $profile, public Person $who, public EntryDraft $draft, public bool $only = false)
    {
    }
}
