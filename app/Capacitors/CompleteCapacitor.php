<?php

declare(strict_types=1);

namespace App\Capacitors;

use App\Instruments\Meter;
use App\Logbook\Entry;
use App\Logbook\Job;
use Ash\Capacitors\BoardCapacitor;
use Ash\Capacitors\CapacitorFound;
use Ash\Capacitors\CapacitorRead;
use Ash\Capacitors\Rework;
use Ash\Capacitors\Siblings;
use Ash\Corrosion\SurveyPlace;
use Ash\Document\InvalidDocument;
use Ash\Facts\CapacitorKind;
use Ash\Facts\Polarity;
use Ash\Facts\RailVolts;
use Ash\Logbook\Entries\PartReplaced;
use Ash\Logbook\Entries\Pin;

/** The room's entries on their way into the record, with what follows from the board's list. */
final readonly class CompleteCapacitor
{
    public static function found(Job $job, CapacitorFound $data): CapacitorFound
    {
        $rails = BoardList::of($job)->profile->section(RailVolts::class)?->railNames() ?? [];
        if ($data->rail !== null && $rails !== [] && !in_array($data->rail, $rails, true)) {
            throw InvalidDocument::at('/data/rail', "the machine's profile has no rail \"{$data->rail}\"");
        }
        if ($data->pin !== null && !Entry::query()->where('job_id', $job->id)->where('kind', Pin::KIND)->where('id', $data->pin)->exists()) {
            throw InvalidDocument::at('/data/pin', 'is not a pin of this job');
        }

        return $data;
    }

    /** With the verdict. */
    public static function reading(Job $job, CapacitorRead $data): CapacitorRead
    {
        $list = BoardList::of($job);
        $it = self::cap($list, $data->cap);
        $part = $it->part
            ?? throw InvalidDocument::at('/data/cap', 'is not known yet, so nothing can be judged: write its kind, value and voltage, or leave it waiting');
        $slip = $data->capacitanceF === null || $data->sure === true ? null : Siblings::slip($part->markedF, $data->capacitanceF);
        $slip === null || throw InvalidDocument::at('/data/capacitance_f', "{$slip}: write it with its unit, or say that you are sure");
        $meter = $data->meter === null ? null : Meter::query()->find($data->meter) ?? throw InvalidDocument::at('/data/meter', 'there is no such meter');

        return $data->judged($part, $list->railV($it), $list->year(), $meter?->name);
    }

    public static function rework(Job $job, Rework $data): Rework
    {
        $it = self::cap(BoardList::of($job), $data->cap);
        if ($data->polarity !== null && $it->part !== null) {
            self::polarity($it->part->kind, $data->polarity);
        }
        if ($data->continuity === null) {
            return $data;
        }
        $place = Entry::query()->where('job_id', $job->id)->where('kind', SurveyPlace::KIND)->find($data->continuity)?->as(SurveyPlace::class)
            ?? throw InvalidDocument::at('/data/continuity', 'is not a place of this job\'s continuity run');

        return $data->along($place->place);
    }

    /** A part that goes in where a capacitor of the list sits: a polarised one from the shelf says how round. */
    public static function part(Job $job, PartReplaced $data): PartReplaced
    {
        $it = BoardList::of($job)->at($data->designator);
        $kind = $data->fitted->kind ?? $it?->part?->kind;
        if ($it === null || $kind === null) {
            return $data;
        }
        if ($data->polarity !== null) {
            self::polarity($kind, $data->polarity);
        } elseif ($kind->polarised() && $data->sku !== null) {
            throw InvalidDocument::at('/data/polarity', 'is missing: at which of the board\'s marks does the stripe sit, plus or minus?');
        }

        return $data;
    }

    private static function polarity(CapacitorKind $kind, Polarity $stripe): void
    {
        $wrong = Rework::backwards($kind, $stripe);
        $wrong === null || throw InvalidDocument::at('/data/polarity', $wrong);
    }

    private static function cap(BoardList $list, string $key): BoardCapacitor
    {
        return $list->at($key) ?? throw InvalidDocument::at('/data/cap', "there is no capacitor \"{$key}\" on the list of this board");
    }
}
