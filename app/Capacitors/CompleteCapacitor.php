<?php

declare(strict_types=1);

namespace App\Capacitors;

use App\Instruments\Meter;
use App\Logbook\Entry;
use App\Logbook\Job;
use App\Logbook\Record;
use App\Shelf\ShelfItem;
use Ash\Capacitors\BoardCapacitor;
use Ash\Capacitors\CapacitorNote;
use Ash\Capacitors\Judged;
use Ash\Capacitors\Kind;
use Ash\Capacitors\Look;
use Ash\Capacitors\Measured;
use Ash\Capacitors\Siblings;
use Ash\Document\InvalidDocument;
use Ash\Logbook\EntryKind;

/** The room's entries on their way into the record, with what follows from the board's list. */
final readonly class CompleteCapacitor
{
    /**
     * @param array<string, mixed> $data
     *
     * @return array<string, mixed>
     */
    public static function found(Job $job, array $data): array
    {
        $profile = BoardList::of($job)->profile;
        $rail = $data['rail'] ?? null;
        is_string($rail) && $profile->rails !== [] && $profile->rail($rail) === null && throw InvalidDocument::at('/data/rail', "the machine's profile has no rail \"{$rail}\"");
        if (is_string($data['pin'] ?? null) && !Entry::query()->where('job_id', $job->id)->where('kind', EntryKind::Pin)->where('id', $data['pin'])->exists()) {
            throw InvalidDocument::at('/data/pin', 'is not a pin of this job');
        }

        return $data;
    }

    /**
     * @param array<string, mixed> $data
     *
     * @return array<string, mixed> with the verdict
     */
    public static function reading(Job $job, array $data): array
    {
        $list = BoardList::of($job);
        $it = self::cap($list, $data);
        $part = $it->part ?? throw InvalidDocument::at('/data/cap', 'is not known yet, so nothing can be judged: write its kind, value and voltage, or leave it waiting');
        $number = static fn (string $field): ?float => is_numeric($data[$field] ?? null) ? (float) $data[$field] : null;
        $measuredF = $number('capacitance_f');
        $slip = $measuredF === null || ($data['sure'] ?? false) === true ? null : Siblings::slip($part->markedF, $measuredF);
        $slip === null || throw InvalidDocument::at('/data/capacitance_f', "{$slip}: write it with its unit, or say that you are sure");
        $esr = $number('esr_ohm');
        $net = $esr === null ? null : max(0.0, $esr - ($number('lead_ohm') ?? 0.0));
        $looks = array_map(static fn (mixed $look): Look => Look::from(is_string($look) ? $look : ''), is_array($data['visual'] ?? null) ? array_values($data['visual']) : []);
        $judged = Judged::of($part, new Measured($measuredF, $net, $number('tan_delta'), $number('frequency_hz'), $number('leakage_a')), ($data['in_circuit'] ?? false) === true, $looks, $list->railV($it));
        $meter = is_string($data['meter'] ?? null) ? Meter::query()->find($data['meter']) ?? throw InvalidDocument::at('/data/meter', 'there is no such meter') : null;

        return [
            ...$data, ...($net === null ? [] : ['esr_ohm' => $net]), 'kind' => $part->kind->value, 'marked_f' => $part->markedF, 'rated_v' => $part->ratedV, 'verdict' => $judged->verdict, 'proven' => $judged->proven,
            'reasons' => $judged->reasons, 'limits' => $judged->limits(), 'year' => $list->year(), ...($meter === null ? [] : ['meter_name' => $meter->name]),
        ];
    }

    /**
     * @param array<string, mixed> $data
     *
     * @return array<string, mixed>
     */
    public static function rework(Job $job, array $data): array
    {
        $it = self::cap(BoardList::of($job), $data);
        if (is_string($data['polarity'] ?? null) && $it->part !== null) {
            self::polarity($it->part->kind, $data['polarity']);
        }
        $place = !is_string($data['continuity'] ?? null) ? null : Entry::query()->where('job_id', $job->id)->where('kind', EntryKind::Survey)->find($data['continuity']) ?? throw InvalidDocument::at('/data/continuity', 'is not a place of this job\'s continuity run');

        return [...$data, ...($place === null ? [] : ['trace' => Record::word($place, 'place')])];
    }

    /**
     * A part that goes in where a capacitor of the list sits: a polarised one says how round.
     *
     * @param array<string, mixed> $data of a part-replaced entry
     */
    public static function part(Job $job, array $data, ?ShelfItem $item): void
    {
        $it = BoardList::of($job)->at(is_string($data['designator'] ?? null) ? $data['designator'] : '');
        $kind = $item?->kind === null ? $it?->part?->kind : Kind::from($item->kind);
        if ($it === null || $kind === null) {
            return;
        }
        if (is_string($data['polarity'] ?? null)) {
            self::polarity($kind, $data['polarity']);
        } elseif ($kind->polarised() && $item !== null) {
            throw InvalidDocument::at('/data/polarity', 'is missing: at which of the board\'s marks does the stripe sit, plus or minus?');
        }
    }

    private static function polarity(Kind $kind, string $stripe): void
    {
        $wrong = CapacitorNote::backwards($kind, $stripe);
        $wrong === null || throw InvalidDocument::at('/data/polarity', $wrong);
    }

    /** @param array<string, mixed> $data */
    private static function cap(BoardList $list, array $data): BoardCapacitor
    {
        $key = is_string($data['cap'] ?? null) ? $data['cap'] : '';

        return $list->at($key) ?? throw InvalidDocument::at('/data/cap', "there is no capacitor \"{$key}\" on the list of this board");
    }
}
