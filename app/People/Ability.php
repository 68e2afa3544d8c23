<?php

declare(strict_types=1);

namespace App\People;

enum Ability: string
{
    /** See the bench, jobs, records and reports. */
    case Read = 'read';

    /** Add to the record: jobs, entries, readings, machine profiles. */
    case Record = 'record';

    /** Set up meters and people, give an owner a link. */
    case Lead = 'lead';
}
