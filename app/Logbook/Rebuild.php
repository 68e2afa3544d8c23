<?php

declare(strict_types=1);

namespace App\Logbook;

use Ash\Document\InvalidDocument;
use Ash\Logbook\Entries\PutBack;
use Ash\Logbook\Entries\TakenOut;
use Ash\Logbook\RebuildList;

/** The strip-down list of a job and how far it is put back. */
final readonly class Rebuild
{
    /** @param string|null $without an entry that is about to be corrected */
    public static function of(Job $job, ?string $without = null): RebuildList
    {
        $items = $ticks = [];
        $entries = Entry::standing(TakenOut::KIND, PutBack::KIND)->where('job_id', $job->id)->orderBy('at')->orderBy('id')->get();
        foreach ($entries->where('id', '!=', $without) as $entry) {
            $data = $entry->data;
            if ($data instanceof TakenOut) {
                $items[$entry->id] = $data;
            } elseif ($data instanceof PutBack) {
                $ticks[] = $data;
            }
        }

        return RebuildList::of($items, $ticks);
    }

    /** With what it is, and all of its fixings unless others were said. */
    public static function complete(Job $job, PutBack $data, ?string $corrects): PutBack
    {
        $list = self::of($job, $corrects);
        $item = $list->items[$data->item] ?? throw InvalidDocument::at('/data/item', 'is not an item of this job\'s strip-down list');
        !$list->ticked($data->item) || throw InvalidDocument::at('/data/item', 'is back in already');

        return new PutBack($data->item, $data->fixings ?? $item->fixings, $item->what);
    }
}
