<?php

declare(strict_types=1);

namespace App\Rails;

use App\Instruments\Meter;
use Ash\Document\InvalidDocument;
use Ash\Logbook\Profile;
use Ash\Rails\Band;
use Ash\Rails\JudgedReading;
use Ash\Rails\Limits;
use Ash\Rails\Load;
use Ash\Rails\MeterAccuracy;
use Ash\Rails\Point;
use Ash\Rails\Reading;

/** A reading on its way into the record: checked against the profile, judged by the core, and laid down as numbers. */
final readonly class RecordReading
{
    /**
     * An unknown meter is taken for a hand-held one of 3 1/2 digits: +-(0.5 % of reading + 2 counts), the handbook's example.
     */
    private const TYPED = [0.5, 2.0, 0.01];

    /**
     * @param array<string, mixed>                             $data  of the entry, as the core read it
     * @param array<string, array{band: Band, reason: string}> $bands
     *
     * @return array{array<string, mixed>, array<string, mixed>} the entry's data with the verdict, and the row of numbers
     */
    public static function judge(string $jobId, array $data, Profile $profile, array $bands): array
    {
        /** @var array{run: string, rail: string, test_point: string, load: string, volts?: float, ripple_mvpp?: float, amps?: float, ohms_to_ground?: float, meter?: string} $data */
        $run = Run::query()->where('job_id', $jobId)->find($data['run']) ?? throw InvalidDocument::at('/data/run', 'is not a run of this job');
        $rail = $profile->rail($data['rail']) ?? throw InvalidDocument::at('/data/rail', "the machine's profile has no rail \"{$data['rail']}\"");
        $testPoint = $profile->testPoint($data['rail'], $data['test_point'])
            ?? throw InvalidDocument::at('/data/test_point', "rail {$data['rail']} has no test point \"{$data['test_point']}\"");
        $band = $bands[$rail->name]['band'] ?? Band::Tight;
        $limits = $band === Band::Wide ? Limits::wide($rail->nominalV) : $rail->limits;
        [$meter, $name] = self::meter($data['meter'] ?? null);
        $judged = JudgedReading::judge($rail->within($limits), new Reading(
            $rail->name,
            $data['volts'] ?? null,
            Load::from($data['load']),
            $testPoint->point ?? Point::Board,
            $data['ripple_mvpp'] ?? null,
            $data['amps'] ?? null,
            $data['ohms_to_ground'] ?? null,
        ), $meter);

        return [
            [...$data, 'meter_name' => $name, 'band' => $band->value, 'limits_v' => ['low' => $limits->low, 'high' => $limits->high],
                'guard_v' => $judged->guardV, 'verdict' => $judged->verdict?->value, 'reasons' => $judged->reasons],
            ['run_id' => $run->id, 'board_id' => $run->board_id, 'rail' => $rail->name, 'test_point' => $testPoint->name,
                'point' => $testPoint->point?->value, 'load' => $data['load'], 'volts' => $data['volts'] ?? null,
                'ripple_mvpp' => $data['ripple_mvpp'] ?? null, 'amps' => $data['amps'] ?? null, 'ohms_to_ground' => $data['ohms_to_ground'] ?? null,
                'reading_pct' => $meter->readingPct, 'counts' => $meter->counts, 'resolution_v' => $meter->resolutionV,
                'limit_low' => $limits->low, 'limit_high' => $limits->high, 'verdict' => $judged->verdict?->value],
        ];
    }

    /** @return array{MeterAccuracy, string} */
    private static function meter(?string $id): array
    {
        if ($id === null) {
            return [MeterAccuracy::of(...self::TYPED), 'typed; hand-held meter, 0.5 % + 2 counts of 10 mV'];
        }
        $meter = Meter::query()->find($id) ?? throw InvalidDocument::at('/data/meter', 'there is no such meter');

        return [$meter->accuracy(), $meter->name];
    }
}
