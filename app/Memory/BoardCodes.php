<?php

declare(strict_types=1);

namespace App\Memory;

use App\Logbook\Entry;
use App\Logbook\Job;
use App\Logbook\Record;
use Ash\Logbook\EntryKind;
use Ash\Memory\ChipCodes;
use Ash\Memory\FittedMemory;

/** What the record of a board tells of its chips' date codes. */
final readonly class BoardCodes
{
    /** Entries that are looked at. */
    private const LAST = 200;

    private function __construct(public ChipCodes $chips, public ?string $built)
    {
    }

    public static function of(Job $job, FittedMemory $memory): self
    {
        $entries = Entry::query()->where('board_id', $job->board_id)->whereIn('kind', [EntryKind::DateCodes, EntryKind::Part, EntryKind::Swap])
            ->whereNotExists(static fn ($query) => $query->from('entries as later')->whereColumn('later.corrects_id', 'entries.id'))
            ->orderByDesc('at')->orderByDesc('id')->limit(self::LAST)->get()->reverse();
        $events = [];
        $built = null;
        foreach ($entries as $entry) {
            $designator = Record::word($entry, 'designator');
            if ($entry->kind === EntryKind::Part) {
                isset($memory->map->byRef["\0{$designator}"]) && $events[] = ['at' => $entry->at, 'replaced' => $designator, 'code' => Record::word($entry, 'date_code')];
            } elseif (Record::word($entry, 'map') === $memory->key) {
                $codes = $entry->data['by_chip'] ?? null;
                $events[] = ['at' => $entry->at, ...($entry->kind === EntryKind::Swap
                    ? ['exchanged' => [Record::word($entry, 'from'), Record::word($entry, 'to')]] : ['codes' => array_filter(is_array($codes) ? $codes : [], is_string(...))])];
                $built = Record::word($entry, 'built') ?: $built;
            }
        }

        return new self(new ChipCodes($events), $built);
    }
}
