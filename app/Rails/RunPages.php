<?php

declare(strict_types=1);

namespace App\Rails;

use App\Logbook\Cards;
use App\Logbook\Record;
use App\Logbook\Row;
use Ash\Document\Node;
use Ash\Logbook\Caution;
use Ash\Logbook\Profile;
use Ash\Logbook\Stage;
use Ash\Quantity\Notation;
use Ash\Quantity\Unit;
use Ash\Rails\Band;
use Ash\Rails\Cause;
use Ash\Rails\JudgedReading;
use Ash\Rails\Limits;
use Ash\Rails\Load;
use Ash\Rails\Path;
use Ash\Rails\PathWalk;
use Ash\Rails\Point;
use Ash\Rails\Rail;
use Ash\Rails\Reading;
use Ash\Rails\RunPlan;
use Ash\Rails\Strip;
use Ash\Rails\TestPoint;
use Illuminate\Support\Facades\DB;

/** A rail run as it is handed out: every figure on the screen comes from here, so that the screen only draws. */
final readonly class RunPages
{
    /** @param array<string, array{band: Band, reason: string}> $bands */
    private function __construct(private RunState $state, private Load $load, private array $bands, private ?RunState $before)
    {
    }

    public static function of(Run $run, Load $load): RailRunPage
    {
        $job = new Row(DB::table('jobs')->join('machines', 'machines.id', '=', 'jobs.machine_id')->where('jobs.id', $run->job_id)->select('jobs.number', 'jobs.title', 'machines.name', 'machines.profile')->first() ?? abort(404));
        $board = new Row(DB::table('boards')->where('id', $run->board_id)->first(['name']) ?? abort(404));
        $profile = Profile::read(Node::parse($job->string('profile')));
        $bands = Record::of($run->job_id)->bands();
        $repeated = $run->repeats_id === null ? null : Run::query()->find($run->repeats_id);
        $page = new self(RunState::read($run, $profile, $bands), $load, $bands, $repeated === null ? null : RunState::read($repeated, $profile, $bands));

        return $page->page($job, $board->string('name'));
    }

    private function page(Row $job, string $board): RailRunPage
    {
        $run = $this->state->run;
        $judgement = $this->state->judgement;
        $plan = RunPlan::of($this->state->rails, $this->state->profile->testPoints);
        $walks = $this->walks();
        $live = $plan->live($this->done(), array_map(static fn (array $walk): PathWalk => $walk['walk'], $walks));

        return new RailRunPage(
            $run->id, $run->job_id, sprintf('J-%04d', $job->int('number')), $job->string('title'), $board, $job->string('name'), $this->load->value,
            array_map(static fn (Load $load): ChoiceLoad => new ChoiceLoad($load->value, $load->words()), Load::cases()),
            $run->repeats_id,
            array_map(fn (array $step): StepCard => $this->step($step['rail'], $step['point']), $plan->steps),
            $live === null ? null : new LiveCard(self::key($live['rail'], $live['test_point']), $live['why']),
            array_map(static fn (Cause $cause): CauseCard => new CauseCard($cause->code, $cause->rails, $cause->text, $cause->evidence), $judgement->causes),
            $judgement->powerOn->value,
            $judgement->powerOnReasons,
            array_map(static fn (array $walk): PathCard => $walk['card'], array_values($walks)),
            array_map(static fn (Caution $caution): string => $caution->words(), $this->state->profile->cautionsAt(Stage::Supply)),
        );
    }

    private function step(Rail $rail, TestPoint $point): StepCard
    {
        $reading = $this->reading($this->state, $rail, $point->name);
        $before = $this->before === null ? null : $this->reading($this->before, $rail, $point->name);
        $judged = $reading === null ? null : $this->judge($rail, $point, $reading);
        $judgedBefore = $before === null ? null : $this->judge($rail, $point, $before);
        $band = $this->bands[$rail->name] ?? ['band' => Band::Tight, 'reason' => null];
        $tight = $this->state->profile->rail($rail->name)->limits ?? $rail->limits;

        return new StepCard(
            self::key($rail->name, $point->name), $rail->name, Notation::print($rail->nominalV, Unit::Volt), $rail->limits->words(),
            Limits::wide($rail->nominalV)->words(), $band['band']->value, $band['reason'], $point->name, $point->where, $point->point?->value, $rail->protects,
            $reading === null || $judged === null ? null : $this->card($reading, $judged),
            $before?->volts === null ? null : Notation::print($before->volts, Unit::Volt).', '.($judgedBefore?->verdict?->words() ?? ''),
            self::strip(Strip::of($rail, $reading?->volts, $judged?->guardV, $before?->volts, $band['band'] === Band::Tight ? Limits::wide($rail->nominalV) : $tight)),
        );
    }

    private function card(StoredReading $reading, JudgedReading $judged): StepReading
    {
        $entry = new Row(DB::table('entries')->where('id', $reading->entry_id)->first(['author', 'data']) ?? abort(404));
        $data = json_decode($entry->string('data'), true);
        $meter = is_array($data) && is_string($data['meter_name'] ?? null) ? $data['meter_name'] : '';

        return new StepReading(
            $reading->entry_id,
            $reading->volts !== null ? Notation::print($reading->volts, Unit::Volt) : Notation::print((float) $reading->ohms_to_ground, Unit::Ohm).' to ground',
            $reading->volts !== null ? Notation::print($reading->volts, Unit::Volt) : null,
            $judged->verdict?->value, $judged->verdict?->words() ?? 'no voltage', $judged->reasons[0] ?? '', $judged->reasons,
            $reading->ripple_mvpp === null ? null : Notation::plain($reading->ripple_mvpp, 3).' mVpp', $judged->rippleOut === true, $judged->conclusive,
            Cards::time($reading->at->format('Y-m-d H:i:s.v')), $entry->string('author'), $meter,
        );
    }

    /** The latest at this load; on a rail that needs no load, the latest at any. */
    private function reading(RunState $state, Rail $rail, string $testPoint): ?StoredReading
    {
        return $state->readings->last(fn (StoredReading $reading): bool => $reading->rail === $rail->name && $reading->test_point === $testPoint
            && ($reading->load === $this->load->value || !$rail->needsLoad));
    }

    private function judge(Rail $rail, TestPoint $point, StoredReading $reading): JudgedReading
    {
        return JudgedReading::judge($rail, new Reading(
            $rail->name, $reading->volts, Load::from($reading->load), $point->point ?? Point::Board, $reading->ripple_mvpp, $reading->amps, $reading->ohms_to_ground,
        ), $reading->accuracy());
    }

    /** @return list<string> */
    private function done(): array
    {
        return array_values(array_filter(array_map(function (array $step): ?string {
            $reading = $this->reading($this->state, $step['rail'], $step['point']->name);

            return $reading?->volts === null ? null : "{$step['rail']->name}\0{$step['point']->name}";
        }, RunPlan::of($this->state->rails, $this->state->profile->testPoints)->steps)));
    }

    /** @return array<string, array{walk: PathWalk, card: PathCard}> rails on which voltage is there at one point and gone at a later one */
    private function walks(): array
    {
        $walks = [];
        foreach ($this->state->rails as $key => $rail) {
            $points = $this->state->profile->testPoints[$key];
            $found = $lost = false;
            $known = [];
            foreach ($points as $point) {
                $reading = $this->reading($this->state, $rail, $point->name);
                if ($reading?->volts !== null) {
                    $judged = $this->judge($rail, $point, $reading);
                    $known[] = [$point->name, $judged->good()];
                    $lost = $lost || ($found && $judged->absent());
                    $found = $found || $judged->good();
                }
            }
            if ($lost && count($points) > 1) {
                $walks[$key] = self::walk($rail, $points, $known);
            }
        }

        return $walks;
    }

    /**
     * @param non-empty-list<TestPoint> $points
     * @param list<array{string, bool}> $known
     *
     * @return array{walk: PathWalk, card: PathCard}
     */
    private static function walk(Rail $rail, array $points, array $known): array
    {
        $names = array_map(static fn (TestPoint $point): string => $point->name, $points);
        $walk = Path::along($names, array_map(static fn (TestPoint $point): float => $point->weight, $points))->walk($known);
        $state = [];
        foreach ($known as [$name, $good]) {
            $state[$name] = $good ? 'good' : 'dead';
        }

        return ['walk' => $walk, 'card' => new PathCard(
            $rail->name,
            array_map(static fn (string $name): PathPoint => new PathPoint($name, $name === $walk->nextPoint ? 'next' : $state[$name] ?? 'unknown'), $names),
            $walk->faultBetween === null ? null : implode(' and ', $walk->faultBetween), $walk->nextPoint, $walk->segmentsLeft, $walk->worstCaseProbes, $walk->reasons,
        )];
    }

    private static function strip(Strip $strip): StripCard
    {
        return new StripCard($strip->low, $strip->high, $strip->guard, $strip->nominal, $strip->tick, $strip->beyond, $strip->ghost, $strip->wideLow, $strip->wideHigh);
    }

    private static function key(string $rail, string $testPoint): string
    {
        return "{$rail}|{$testPoint}";
    }
}
