<?php

declare(strict_types=1);

namespace App\Batteries;

use App\Logbook\Entry;
use App\Logbook\Job;
use App\Logbook\OpenItem;
use Ash\Batteries\BatteriesRoom as Core;
use Ash\Batteries\BatteryNote;
use Ash\Batteries\BatteryState;
use Ash\Batteries\BoardNeeds;
use Ash\Batteries\ClockRead;
use Ash\Batteries\ClockSet;
use Ash\Batteries\Retention;
use Ash\Batteries\Suitability;
use Ash\Document\InvalidDocument;

/** What the record knows of a battery and its clock before a new entry is taken. */
final readonly class CompleteBattery
{
    /** Which way round it goes must agree with what was recorded before it came out. */
    public static function note(Job $job, BatteryNote $data, ?BoardNeeds $board): BatteryNote
    {
        if ($data->state !== BatteryState::Fitted) {
            return $data;
        }
        $confirm = $board === null || $data->option === null || $data->blocked === true ? null : Suitability::of($data->option, $board)->confirm();
        if ($confirm !== null) {
            throw InvalidDocument::at('/data/blocked', "say that {$confirm}");
        }
        if ($data->override !== null) {
            return $data;
        }
        $recorded = self::polarity($job);
        if ($recorded === null) {
            throw InvalidDocument::at(
                '/data/positive_towards',
                'no polarity is recorded for this board: record how the old one sat, or say with a reason why this is right',
            );
        }
        if (!BatteryNote::agrees($recorded, (string) $data->positiveTowards)) {
            $detail = "the record says that the positive end lies towards \"{$recorded}\": turn it round, or say with a reason why this is right";
            throw InvalidDocument::at('/data/positive_towards', $detail);
        }

        return $data;
    }

    /** Towards what the positive end of the board's battery lay, as it was last found. */
    public static function polarity(Job $job): ?string
    {
        foreach (self::notes($job) as $entry) {
            $note = $entry->as(BatteryNote::class);
            if ($note?->positiveTowards !== null && $note->state !== BatteryState::Fitted) {
                return $note->positiveTowards;
            }
        }

        return null;
    }

    /** @return list<Entry> notes on the board's battery that stand, latest first, over all its jobs */
    public static function notes(Job $job): array
    {
        $notes = Entry::standing(BatteryNote::KIND)->where('board_id', $job->board_id)->orderByDesc('at')->orderByDesc('id')->limit(50)->get();

        return array_values($notes->filter(static fn (Entry $it): bool => $it->data instanceof BatteryNote)->all());
    }

    /** With how the clock kept its time since it was set. */
    public static function clock(Job $job, ClockRead $data): ClockRead
    {
        $item = OpenItem::query()->where('kind', Core::CLOCK_TEST)->where('open', true)->where('board_id', $job->board_id)->where('id', $data->test)->first();
        $set = $item === null ? null : Entry::query()->find($data->test)?->as(ClockSet::class);
        if ($set === null) {
            throw InvalidDocument::at('/data/test', 'is not a clock test of this board that still runs');
        }

        return $data->judged(Retention::since($set->setAt, $data));
    }
}
