<?php

declare(strict_types=1);

namespace App\Rails;

use App\Bench\StripCard;
use App\Logbook\Cards;
use App\Logbook\Described;
use App\Logbook\Entry;
use App\Logbook\Gathered;
use App\Logbook\Row;
use App\Logbook\TrueHere;
use Ash\Facts\Band;
use Ash\Facts\Facts;
use Ash\Logbook\Caution;
use Ash\Logbook\Stage;
use Ash\Quantity\Notation;
use Ash\Quantity\Unit;
use Ash\Rails\Cause;
use Ash\Rails\DescribedRails;
use Ash\Rails\JudgedReading;
use Ash\Rails\Limits;
use Ash\Rails\Load;
use Ash\Rails\LostAlong;
use Ash\Rails\PathWalk;
use Ash\Rails\Point;
use Ash\Rails\PointState;
use Ash\Rails\Rail;
use Ash\Rails\RailStrip;
use Ash\Rails\Reading;
use Ash\Rails\ReadingTaken;
use Ash\Rails\RunPlan;
use Ash\Rails\ShortWalk;
use Ash\Rails\TestPoint;
use Ash\Rails\Verdict;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;

/** A rail run as it is handed out: every figure on the screen comes from here, so that the screen only draws. */
final readonly class RunAsShown
{
    /** @param array<string, Entry> $entries of the readings, by id */
    private function __construct(
        private RunState $state,
        private DescribedRails $described,
        private ?Load $load,
        private TakeWhat $what,
        private Facts $bands,
        private ?RunState $before,
        private bool $closed,
        private TrueHere $here,
        private array $entries,
    ) {
    }

    private static function joined(?string $one, ?string $other): ?string
    {
        return $one === null || $other === null ? $one ?? $other : "{$one}; {$other}";
    }

    /** What a run is about: its job, board and kind, and the entry of this id when there is one, in one question. */
    public static function head(Run $run, string $entry = ''): Row
    {
        return new Row(
            DB::table('jobs')
                ->join('machines', 'machines.id', '=', 'jobs.machine_id')->join('kinds', 'kinds.id', '=', 'machines.kind_id')
                ->join('boards', 'boards.id', '=', DB::raw('?'))->addBinding($run->board_id, 'join')
                ->leftJoin('entries', 'entries.id', '=', DB::raw('?'))->addBinding($entry, 'join')
                ->where('jobs.id', $run->job_id)
                ->select(
                    'jobs.number',
                    'jobs.title',
                    'jobs.state',
                    'machines.name',
                    'machines.id as machine_id',
                    'kinds.profile',
                    'boards.name as board',
                    'entries.id as entry',
                    'entries.job_id',
                    'entries.kind',
                )->selectRaw(Described::WITH_OWN)
                ->first() ?? abort(404),
        );
    }

    /**
     * @param ?Load $load null: the one that the run's last voltage was read at, when there is one
     * @param ?Row  $job  its head(), when it was asked for already
     */
    public static function of(Run $run, ?Load $load, TakeWhat $what = TakeWhat::Volts, ?Row $job = null): RailRunPage
    {
        $job ??= self::head($run);
        $profile = Described::joined($job, $job->string('machine_id'), $run->board_id);
        $described = $profile->section(DescribedRails::class) ?? new DescribedRails([], [], [], null);
        $bands = Gathered::of($run->job_id)->own();
        $repeated = $run->repeats_id === null ? null : Run::query()->find($run->repeats_id);
        $state = RunState::read($run, $profile, $bands);
        $page = new self(
            state: $state,
            described: $described,
            load: $load ?? $state->load(),
            what: $what,
            bands: $bands,
            before: $repeated === null ? null : RunState::read($repeated, $profile, $bands),
            closed: $job->string('state') === 'closed',
            here: TrueHere::of($run->board_id),
            entries: Entry::query()
                ->whereIn('id', self::shown($state)->pluck('entry_id'))
                ->get(['id', 'kind', 'author', 'person_id', 'data'])
                ->keyBy('id')->all(),
        );

        return $page->page($job, $job->string('board'));
    }

    private function page(Row $job, string $board): RailRunPage
    {
        $run = $this->state->run;
        $judgement = $this->state->judgement;
        $plan = RunPlan::of($this->state->rails, $this->described->testPoints);
        $ohms = $this->state->ohms();
        $walks = $this->what === TakeWhat::Ohms ? [] : $this->walks();
        $live = $this->what === TakeWhat::Ohms
            ? $plan->resistance($ohms)
            : $plan->live($this->done(), array_map(static fn (LostAlong $it): PathWalk => $it->walk, $walks));

        return new RailRunPage(
            id: $run->id, job_id: $run->job_id, job_label: sprintf('J-%04d', $job->int('number')), job_title: $job->string('title'), board: $board,
            machine: $job->string('name'), load: $this->load,
            loads: array_map(static fn (Load $load): ChoiceLoad => new ChoiceLoad($load->value, $load->words()), Load::cases()),
            repeats_id: $run->repeats_id,
            steps: array_map(fn (array $step): StepCard => $this->step($step['rail'], $step['point']), $plan->steps),
            live: $live === null ? null : new LiveCard(self::key($live['rail'], $live['test_point']), $live['why']),
            causes: array_map(
                static fn (Cause $cause): CauseCard => new CauseCard($cause->code, $cause->rails, $cause->text, $cause->evidence),
                $judgement->causes,
            ),
            power_on: $judgement->powerOn,
            power_on_reasons: $judgement->powerOnReasons,
            paths: array_map(self::pathCard(...), array_keys($walks), $walks),
            shorts: array_values(array_map(static fn (ShortWalk $it): string => $it->says, $plan->shorts($ohms))),
            has_ohms: $ohms !== [],
            cautions: array_map(static fn (Caution $caution): string => $caution->words(), $this->state->profile->cautionsAt(Stage::Supply)),
        );
    }

    private function step(Rail $rail, TestPoint $point): StepCard
    {
        $reading = $this->reading($this->state, $rail, $point->name);
        $before = $this->before === null ? null : $this->reading($this->before, $rail, $point->name);
        $judged = $reading === null ? null : $this->judge($rail, $point, $reading);
        $judgedBefore = $before === null ? null : $this->judge($rail, $point, $before);
        $chosen = DescribedRails::band($this->bands, $rail->name);
        $band = $chosen->band ?? Band::Tight;
        $tight = $this->described->rail($rail->name)->limits ?? $rail->limits;

        return new StepCard(
            key: self::key($rail->name, $point->name), rail: $rail->name, nominal: Notation::print($rail->nominalV, Unit::Volt), limits: $rail->limits->words(),
            wide: Limits::wide($rail->nominalV)->words(), band: $band, band_reason: $chosen?->reason, test_point: $point->name,
            where: $point->where, point: $point->point, protects: $rail->protects,
            source: self::joined($this->described->source($rail->name), $this->here->about($rail->name)),
            ohms_good: $rail->ohmsGood === null ? null : Notation::print($rail->ohmsGood, Unit::Ohm, 3),
            reading: $reading === null || $judged === null ? null : $this->card($reading, $judged),
            previous: $before?->volts === null ? null : Notation::print($before->volts, Unit::Volt).', '.($judgedBefore?->verdict?->words() ?? ''),
            strip: StripCard::of(RailStrip::of(
                $rail,
                $reading?->volts,
                $judged?->guardV,
                $before?->volts,
                $band === Band::Tight ? Limits::wide($rail->nominalV) : $tight,
            )),
        );
    }

    private function card(StoredReading $reading, JudgedReading $judged): StepReading
    {
        $entry = $this->entries[$reading->entry_id] ?? abort(404);
        $it = $entry->as(ReadingTaken::class);
        $meter = $it->meterName ?? '';

        $ohms = $this->what === TakeWhat::Ohms ? $judged->resistance() : null;
        $verdict = $ohms ?? $judged->verdict;
        $reasons = $ohms === null ? $judged->reasons : array_slice($judged->reasons, -1);
        $words = match ($ohms) {
            null => $judged->verdict?->words() ?? 'no voltage',
            Verdict::Out => 'shorted',
            Verdict::OutClose => 'low',
            default => 'not shorted',
        };

        // A closed job keeps the verdict that it was closed with; today's stands beside it.
        $kept = $this->closed && $ohms === null ? $it->verdict ?? null : null;
        $today = $kept === null || $kept === $verdict ? null : "today's rules say: {$words}";
        if ($today !== null) {
            [$verdict, $words] = [$kept, $kept->words()];
        }

        return new StepReading(
            today: $today,
            entry_id: $reading->entry_id,
            says: $reading->volts !== null && $ohms === null
                ? Notation::print($reading->volts, Unit::Volt)
                : Notation::print(max(0.0, (float) $reading->ohms_to_ground - $reading->lead_ohm), Unit::Ohm, 3).($ohms === null ? ' to ground' : ''),
            volts: $reading->volts !== null ? Notation::print($reading->volts, Unit::Volt) : null,
            verdict: $verdict, verdict_words: $words, decided_by: $reasons[0] ?? '', reasons: $reasons,
            ripple: $reading->ripple_mvpp === null ? null : Notation::plain($reading->ripple_mvpp, 3).' mVpp',
            ripple_out: $judged->rippleOut === true, conclusive: $judged->conclusive,
            at: Cards::time($reading->at->format('Y-m-d H:i:s.v')), author: $entry->by(), meter: $meter,
        );
    }

    /** @return Collection<int, StoredReading> the latest of each place, load and sort: no other is shown */
    private static function shown(RunState $state): Collection
    {
        return $state->readings->keyBy(static fn (StoredReading $it): string => implode("\0", [
            $it->rail, $it->test_point, $it->load, $it->volts === null ? '' : 'V', $it->ohms_to_ground === null ? '' : 'ohm',
        ]))->values();
    }

    /** The latest at this load; on a rail that needs no load, the latest at any. */
    private function reading(RunState $state, Rail $rail, string $testPoint): ?StoredReading
    {
        $ohms = $this->what === TakeWhat::Ohms;

        return $state->readings->last(fn (StoredReading $reading): bool => $reading->rail === $rail->name && $reading->test_point === $testPoint
            && ($ohms ? $reading->ohms_to_ground !== null : $reading->load === $this->load?->value || !$rail->needsLoad));
    }

    private function judge(Rail $rail, TestPoint $point, StoredReading $reading): JudgedReading
    {
        return JudgedReading::judge($rail, new Reading(
            rail: $rail->name, volts: $reading->volts, load: Load::from($reading->load), point: $point->point ?? Point::Board,
            rippleMvpp: $reading->ripple_mvpp, amps: $reading->amps, ohmsToGround: $reading->ohms_to_ground, leadOhm: $reading->lead_ohm,
        ), $reading->accuracy());
    }

    /** @return list<string> */
    private function done(): array
    {
        return array_values(array_filter(array_map(function (array $step): ?string {
            $reading = $this->reading($this->state, $step['rail'], $step['point']->name);

            return $reading?->volts === null ? null : "{$step['rail']->name}\0{$step['point']->name}";
        }, RunPlan::of($this->state->rails, $this->described->testPoints)->steps)));
    }

    /** @return array<string, LostAlong> rails on which voltage is there at one point and gone at a later one */
    private function walks(): array
    {
        $walks = [];
        foreach ($this->state->rails as $key => $rail) {
            $read = [];
            foreach ($this->described->testPoints[$key] as $point) {
                $reading = $this->reading($this->state, $rail, $point->name);
                if ($reading?->volts !== null) {
                    $read[$point->name] = $this->judge($rail, $point, $reading);
                }
            }
            $walks[$key] = LostAlong::of($this->described->testPoints[$key], $read);
        }

        return array_filter($walks);
    }

    private static function pathCard(string $key, LostAlong $it): PathCard
    {
        $walk = $it->walk;
        $points = array_map(
            static fn (string $name, PointState $state): PathPoint => new PathPoint($name, $state),
            array_keys($it->points),
            $it->points,
        );

        return new PathCard(
            rail: ltrim($key, "\0"),
            points: $points,
            fault_between: $walk->faultBetween === null ? null : implode(' and ', $walk->faultBetween),
            next_point: $walk->nextPoint,
            segments_left: $walk->segmentsLeft,
            worst_case_probes: $walk->worstCaseProbes,
            reasons: $walk->reasons,
        );
    }

    private static function key(string $rail, string $testPoint): string
    {
        return "{$rail}|{$testPoint}";
    }
}
