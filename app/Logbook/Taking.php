<?php

declare(strict_types=1);

namespace App\Logbook;

use App\People\Person;
use Ash\Logbook\EntryDraft;
use Ash\Logbook\Profile;

/** An entry on its way into the record. */
final readonly class Taking
{
    public function __construct(public Job $job, public Profile $profile, public Person $who, public EntryDraft $draft)
    {
    }
}
