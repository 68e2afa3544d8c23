<?php

declare(strict_types=1);

namespace App\Logbook;

use Ash\Document\Node;

/** What an entry teaches of a machine, or of a board with a kind of its own, goes into its description, as the rooms' sections say. */
final readonly class Learned
{
    public static function from(Entry $entry, Job $job): void
    {
        $sections = House::here()->hall->sections;
        if (!$sections->teaches($entry->data)) {
            return;
        }
        $board = Board::query()->findOrFail($entry->board_id ?? $job->board_id);
        $own = $board->kind_id === null || !$sections->teachesBoard($entry->data) ? null : Kind::query()->findOrFail($board->kind_id);
        $kind = $own ?? Machine::query()->findOrFail($job->machine_id)->described;
        $before = Node::parse($kind->profile)->object();
        $taught = $sections->learned($before, $entry->data);
        if ($taught !== null) {
            $taught = $own === null ? $sections->boardKinds()->named($before, $taught, $board->slot) : $taught;
            SaveProfile::taught($kind, SaveProfile::text($taught), $entry->author, $job);
        }
    }
}
