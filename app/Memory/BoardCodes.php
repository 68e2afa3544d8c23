<?php

declare(strict_types=1);

namespace App\Memory;

use App\Logbook\Entry;
use App\Logbook\Job;
use Ash\Logbook\Entries\PartReplaced;
use Ash\Memory\ChipCodes;
use Ash\Memory\ChipsExchanged;
use Ash\Memory\DateCodesRead;
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
        $entries = Entry::standing(DateCodesRead::KIND, PartReplaced::KIND, ChipsExchanged::KIND)->where('board_id', $job->board_id)
            ->orderByDesc('at')->orderByDesc('id')->limit(self::LAST)->get()->reverse();
        $events = [];
        $built = null;
        foreach ($entries as $entry) {
            $data = $entry->data;
            if ($data instanceof PartReplaced && isset($memory->map->byRef["\0{$data->designator}"])) {
                $events[] = ['at' => $entry->at, 'replaced' => $data->designator, 'code' => (string) $data->dateCode];
            } elseif ($data instanceof ChipsExchanged && $data->map === $memory->key) {
                $events[] = ['at' => $entry->at, 'exchanged' => [$data->from, $data->to]];
            } elseif ($data instanceof DateCodesRead && $data->map === $memory->key) {
                $events[] = ['at' => $entry->at, 'codes' => $data->byChip];
                $built = $data->built ?? $built;
            }
        }

        return new self(new ChipCodes($events), $built);
    }
}
