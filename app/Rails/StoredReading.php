<?php

declare(strict_types=1);

namespace App\Rails;

use App\Logbook\ClientKeyed;
use App\Logbook\Entry;
use Ash\Rails\Limits;
use Ash\Rails\Load;
use Ash\Rails\MeterAccuracy;
use Ash\Rails\Point;
use Ash\Rails\Reading;
use Ash\Rails\ReadingTaken;
use Carbon\CarbonImmutable;

/**
 * A reading as numbers, beside the entry that records it, with the meter and the limits of its day.
 *
 * @property string          $entry_id
 * @property string          $run_id
 * @property string          $board_id
 * @property string          $rail
 * @property string          $test_point
 * @property ?string         $point
 * @property string          $load
 * @property ?float          $volts
 * @property ?float          $ripple_mvpp
 * @property ?float          $amps
 * @property ?float          $ohms_to_ground
 * @property float           $lead_ohm
 * @property bool            $changed
 * @property float           $reading_pct
 * @property float           $counts
 * @property float           $resolution_v
 * @property float           $limit_low
 * @property float           $limit_high
 * @property ?string         $verdict
 * @property bool            $superseded
 * @property CarbonImmutable $at
 */
final class StoredReading extends ClientKeyed
{
    protected $table = 'readings';
    protected $primaryKey = 'entry_id';

    /** @return array<string, string> */
    protected function casts(): array
    {
        return [
            'volts' => 'float', 'ripple_mvpp' => 'float', 'amps' => 'float', 'ohms_to_ground' => 'float',
            'reading_pct' => 'float', 'counts' => 'float', 'resolution_v' => 'float', 'limit_low' => 'float', 'limit_high' => 'float',
            'lead_ohm' => 'float', 'changed' => 'boolean', 'superseded' => 'boolean', 'at' => 'immutable_datetime',
        ];
    }

    /** The figures of an entry, with the meter, the limits and the place of its day. */
    public static function lay(Entry $entry, ReadingTaken $it, string $board, MeterAccuracy $meter, ?Point $point): void
    {
        self::query()->create([
            'entry_id' => $entry->id,
            'run_id' => $it->run,
            'board_id' => $board,
            'rail' => $it->rail,
            'test_point' => $it->testPoint,
            'point' => $point?->value,
            'load' => $it->load->value,
            'volts' => $it->volts,
            'ripple_mvpp' => $it->rippleMvpp,
            'amps' => $it->amps,
            'ohms_to_ground' => $it->ohmsToGround,
            'lead_ohm' => $it->leadOhm ?? 0.0,
            'changed' => $it->changed ?? false,
            'reading_pct' => $meter->readingPct,
            'counts' => $meter->counts,
            'resolution_v' => $meter->resolutionV,
            'limit_low' => $it->limitsV?->low,
            'limit_high' => $it->limitsV?->high,
            'verdict' => $it->verdict?->value,
            'at' => $entry->at,
        ]);
    }

    public function limits(): Limits
    {
        return Limits::between($this->limit_low, $this->limit_high);
    }

    public function accuracy(): MeterAccuracy
    {
        return MeterAccuracy::of($this->reading_pct, $this->counts, $this->resolution_v);
    }

    /** As the core reads it; a test point that stands for no place of the contract is only walked, never judged with the others. */
    public function toCore(): ?Reading
    {
        return $this->point === null ? null : new Reading(
            rail: $this->rail,
            volts: $this->volts,
            load: Load::from($this->load),
            point: Point::from($this->point),
            rippleMvpp: $this->ripple_mvpp,
            amps: $this->amps,
            ohmsToGround: $this->ohms_to_ground,
            meter: $this->accuracy(),
            leadOhm: $this->lead_ohm,
            changed: $this->changed,
        );
    }
}
