<?php

declare(strict_types=1);

namespace App\Logbook;

use Ash\Document\Node;

/** What an entry teaches of a machine goes into its description, as the rooms' sections say. */
final readonly class Learned
{
    private const FLAGS = JSON_THROW_ON_ERROR | JSON_PRETTY_PRINT | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_PRESERVE_ZERO_FRACTION;

    public static function from(Entry $entry, Job $job): void
    {
        $sections = House::here()->hall->sections;
        if (!$sections->teaches($entry->data)) {
            return;
        }
        $machine = Machine::query()->findOrFail($job->machine_id);
        $taught = $sections->learned(Node::parse($machine->described->profile)->object(), $entry->data);
        if ($taught !== null) {
            SaveProfile::taught($machine->described, json_encode($taught, self::FLAGS)."\n", $entry->author, $job);
        }
    }
}
