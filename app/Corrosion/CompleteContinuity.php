<?php

declare(strict_types=1);

namespace App\Corrosion;

use App\Logbook\Entry;
use App\Logbook\Job;
use Ash\Corrosion\Continuity;
use Ash\Corrosion\Trace;
use Ash\Corrosion\Wire;
use Ash\Document\InvalidDocument;
use Ash\Document\Node;
use Ash\Logbook\EntryKind;

/** A continuity reading against the place of the survey it belongs to. */
final readonly class CompleteContinuity
{
    /**
     * @param array<string, mixed> $data
     *
     * @return array<string, mixed> with the verdict, and the wire that replaces what is gone
     */
    public static function judge(Job $job, array $data): array
    {
        $id = is_string($data['place'] ?? null) ? $data['place'] : '';
        $place = Entry::query()->where('job_id', $job->id)->where('kind', EntryKind::Survey)->where('id', $id)->first()
            ?? throw InvalidDocument::at('/data/place', 'is not a place of this job\'s leak survey');
        $trace = is_array($place->data['trace'] ?? null) ? Trace::read(Node::of((object) $place->data['trace'], '/data/trace')) : null;
        $amps = is_numeric($place->data['amps'] ?? null) ? (float) $place->data['amps'] : null;
        $measured = is_numeric($data['measured_ohm'] ?? null) ? (float) $data['measured_ohm'] : null;
        $it = Continuity::judge($measured, is_numeric($data['lead_ohm'] ?? null) ? (float) $data['lead_ohm'] : 0.0, $amps, $trace);

        return [
            ...$data, 'what' => is_string($place->data['place'] ?? null) ? $place->data['place'] : '', 'net_ohm' => $it->netOhm, 'expected_ohm' => $it->expectedOhm,
            'verdict' => $it->verdict, 'reasons' => $it->reasons, ...($it->verdict === 'sound' ? [] : self::wire($trace, $amps)),
        ];
    }

    /** @return array<string, mixed> */
    private static function wire(?Trace $trace, ?float $amps): array
    {
        $wire = Wire::inPlaceOf($trace, $amps);

        return ['wire_awg' => $wire->awg, 'wire_says' => $wire->reasons, 'trace_capacity_a' => $wire->traceCapacityA];
    }
}
