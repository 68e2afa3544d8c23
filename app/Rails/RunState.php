<?php

declare(strict_types=1);

namespace App\Rails;

use App\Logbook\StandingOfJob;
use Ash\Facts\Facts;
use Ash\Logbook\Profile;
use Ash\Rails\DescribedRails;
use Ash\Rails\Judgement;
use Ash\Rails\Load;
use Ash\Rails\MeterAccuracy;
use Ash\Rails\Rail;
use Ash\Rails\Reading;
use Illuminate\Support\Collection;

/** A rail run as it stands: its readings and what the core makes of them. */
final readonly class RunState
{
    /**
     * @param array<string, Rail>            $rails    within the band the bench chose
     * @param Collection<int, StoredReading> $readings in time order, without superseded ones
     */
    private function __construct(public Run $run, public Profile $profile, public array $rails, public Collection $readings, public Judgement $judgement)
    {
    }

    /** @param Facts $bands the bands that the bench chose */
    public static function read(Run $run, Profile $profile, Facts $bands): self
    {
        $rails = self::rails($profile, $bands);
        $readings = StandingOfJob::here()->once(
            "readings {$run->id}",
            static fn (): Collection => StoredReading::query()
                ->where('run_id', $run->id)
                ->where('superseded', false)
                ->orderBy('at')
                ->orderBy('entry_id')->get(),
        );

        return new self($run, $profile, $rails, $readings, self::judged($readings, $rails));
    }

    /** @return array<string, Rail> within the band the bench chose */
    public static function rails(Profile $profile, Facts $bands): array
    {
        return $profile->section(DescribedRails::class)?->within($bands) ?? [];
    }

    /** @return Collection<int, StoredReading> of the job's last run that has a reading, in time order, without superseded ones */
    public static function latest(string $jobId): Collection
    {
        $run = Run::query()->where('job_id', $jobId)->where('room', 'rails')
            ->whereExists(static fn ($query) => $query->from('readings')->whereColumn('run_id', 'runs.id')->where('superseded', false))
            ->orderByDesc('started_at')->orderByDesc('id')->limit(1)->select('id');

        $readings = StoredReading::query()->where('run_id', '=', $run)->where('superseded', false)->orderBy('at')->orderBy('entry_id')->get();
        $last = $readings->last();

        return $last === null ? $readings : StandingOfJob::here()->once("readings {$last->run_id}", static fn (): Collection => $readings);
    }

    /**
     * @param Collection<int, StoredReading> $readings in time order
     * @param array<string, Rail>            $rails
     */
    public static function judged(Collection $readings, array $rails): Judgement
    {
        $core = [];
        foreach ($readings as $stored) {
            $reading = isset($rails["\0{$stored->rail}"]) ? $stored->toCore() : null;
            if ($reading !== null) {
                $core[] = $reading;
            }
        }

        // Each reading carries its own meter; the run's meter is never asked.
        return Judgement::of($rails, MeterAccuracy::of(0, 0, 0), $core);
    }

    /** @return array<string, non-empty-array<string, float>> latest ohms to ground without the leads, by rail (as Rail::byName() keys them) and test point */
    public function ohms(): array
    {
        $ohms = [];
        foreach ($this->readings as $it) {
            if ($it->ohms_to_ground !== null && isset($this->rails["\0{$it->rail}"])) {
                $ohms["\0{$it->rail}"][$it->test_point] = max(0.0, $it->ohms_to_ground - $it->lead_ohm);
            }
        }

        return $ohms;
    }

    /** The load of the last voltage; null while none was read, and nobody chose one. */
    public function load(): ?Load
    {
        $last = $this->readings->last(static fn (StoredReading $it): bool => $it->volts !== null);

        return $last === null ? null : Load::from($last->load);
    }
}
