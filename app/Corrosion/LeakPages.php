<?php

declare(strict_types=1);

namespace App\Corrosion;

use App\Batteries\CompleteBattery;
use App\Logbook\Cards;
use App\Logbook\ChoiceCard;
use App\Logbook\Entry;
use App\Logbook\Job;
use App\Logbook\Machine;
use App\Logbook\Record;
use App\Rails\StripCard;
use Ash\Batteries\Chemistry;
use Ash\Corrosion\CleaningPlan;
use Ash\Corrosion\SurveyPlace;
use Ash\Document\InvalidDocument;
use Ash\Logbook\Caution;
use Ash\Logbook\EntryKind;
use Ash\Logbook\Stage;
use Ash\Quantity\Notation;
use Ash\Quantity\Unit;

/** The leak survey as it is handed out. */
final readonly class LeakPages
{
    /**
     * @param list<string> $onBoard what the board carries that forbids a bath
     * @param list<string> $also    further chemicals that the bench means to use
     */
    public static function of(Job $job, array $onBoard, array $also): LeakPage
    {
        [$places, $readings, $first] = self::record($job);
        $chemistry = self::chemistry($job);
        [$plan, $refused] = self::plan($chemistry, $places, $onBoard, $also);
        $profile = Machine::query()->findOrFail($job->machine_id)->readProfile();

        return new LeakPage(
            Cards::job(Cards::jobs()->where('jobs.id', $job->id)->first() ?? abort(404)),
            array_map(static fn (array $place): PlaceCard => self::card($place, $readings[$first[$place['id']] ?? ''] ?? null), $places),
            $chemistry?->words(),
            array_map(static fn (array $step): PlanStep => new PlanStep($step['step'], $step['text'], $step['caution']), $plan->steps ?? []),
            $plan->school ?? '', $plan->drying ?? '', $refused,
            SurveyPlace::HOLDS, SurveyPlace::CARRIES, SurveyPlace::GRADES, CleaningPlan::FORBIDS_WATER,
            array_map(static fn (Chemistry $it): ChoiceCard => new ChoiceCard($it->value, $it->words()), Chemistry::cases()),
            Cards::itemCards(Cards::items()->where('open_items.job_id', $job->id)->where('kind', 'repair')),
            array_map(static fn (Caution $it): string => $it->words(), $profile->cautionsAt(Stage::Battery)),
        );
    }

    /** @return array{list<array{id: string, place: string, grade: int, carries: string, distance_mm: ?float}>, array<string, Entry>, array<string, string>} places worst first; the reading that stands, by the place's first entry; those first entries */
    private static function record(Job $job): array
    {
        $places = $readings = [];
        $first = self::firsts($job);
        $entries = Entry::query()->where('job_id', $job->id)->whereIn('kind', [EntryKind::Survey, EntryKind::Continuity])
            ->whereNotExists(static fn ($query) => $query->from('entries as later')->whereColumn('later.corrects_id', 'entries.id'))
            ->orderBy('at')->orderBy('id')->get();
        foreach ($entries as $entry) {
            if ($entry->kind === EntryKind::Survey) {
                $distance = $entry->data['distance_mm'] ?? null;
                $grade = $entry->data['grade'] ?? 0;
                $places[] = ['id' => $entry->id, 'place' => Record::word($entry, 'place'), 'grade' => is_int($grade) ? $grade : 0, 'carries' => Record::word($entry, 'carries'), 'distance_mm' => is_numeric($distance) ? (float) $distance : null];
            } else {
                $readings[$first[Record::word($entry, 'place')] ?? ''] = $entry;
            }
        }

        return [SurveyPlace::ordered($places), $readings, $first];
    }

    /** @return array<string, string> a place that was corrected is the same place: the first entry of each, by entry */
    private static function firsts(Job $job): array
    {
        $first = [];
        foreach (Entry::query()->where('job_id', $job->id)->where('kind', EntryKind::Survey)->orderBy('received_at')->orderBy('at')->orderBy('id')->get(['id', 'corrects_id']) as $entry) {
            $first[$entry->id] = $first[$entry->corrects_id ?? ''] ?? $entry->id;
        }

        return $first;
    }

    private static function chemistry(Job $job): ?Chemistry
    {
        foreach (CompleteBattery::notes($job) as $note) {
            $chemistry = Chemistry::tryFrom(Record::word($note, 'chemistry'));
            if ($chemistry !== null && Record::word($note, 'state') !== 'fitted') {
                return $chemistry;
            }
        }

        return null;
    }

    /**
     * @param list<array{id: string, place: string, grade: int, carries: string, distance_mm: ?float}> $places
     * @param list<string>                                                                             $onBoard
     * @param list<string>                                                                             $also
     *
     * @return array{?CleaningPlan, ?string}
     */
    private static function plan(?Chemistry $chemistry, array $places, array $onBoard, array $also): array
    {
        if ($chemistry === null) {
            return [null, 'Record the battery with its chemistry first: what neutralises one leak feeds another.'];
        }
        try {
            return [CleaningPlan::for($chemistry, $places, $onBoard, $also), null];
        } catch (InvalidDocument $fault) {
            return [null, ucfirst($fault->detail).'.'];
        }
    }

    /** @param array{id: string, place: string, grade: int, carries: string, distance_mm: ?float} $place */
    private static function card(array $place, ?Entry $reading): PlaceCard
    {
        $data = $reading === null ? [] : $reading->data;
        $net = $data['net_ohm'] ?? null;
        $reasons = is_array($data['reasons'] ?? null) ? $data['reasons'] : [];
        $wire = is_array($data['wire_says'] ?? null) ? $data['wire_says'] : [];
        $expected = is_numeric($data['expected_ohm'] ?? null) ? (float) $data['expected_ohm'] : 0.0;

        return new PlaceCard(
            $place['id'], $place['place'], $place['grade'], SurveyPlace::words($place),
            'grade '.$place['grade'].', '.SurveyPlace::GRADES[$place['grade']].($expected > 0 ? ', expected '.Notation::print($expected, Unit::Ohm, 3) : ''),
            $reading === null ? null : (is_numeric($net) ? Notation::print((float) $net, Unit::Ohm, 3) : 'open'),
            $reading === null ? null : Record::word($reading, 'verdict'),
            array_values(array_filter([...$reasons, ...$wire], is_string(...))),
            $reading?->id,
            self::strip(is_numeric($net) ? (float) $net : null, $reading !== null, $expected),
        );
    }

    /** Ohms from nothing to five: sound is the band at the left, and what is beyond five stands at the edge. */
    private static function strip(?float $net, bool $read, float $expected): StripCard
    {
        $share = static fn (float $ohms): float => min(1.0, sqrt(max(0.0, $ohms) / 5.0) * 0.9);

        return new StripCard(0.0, $share($expected + 0.3), 0.0, $share($expected), $read ? ($net === null ? 1.0 : $share($net)) : null, $read && ($net === null || $net > 5.0), null, null, null);
    }
}
