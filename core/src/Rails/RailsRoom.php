<?php

declare(strict_types=1);

namespace Ash\Rails;

use Ash\Cli\Verb;
use Ash\Document\Node;
use Ash\Logbook\EntryKind;
use Ash\Logbook\Findings;
use Ash\Logbook\LeadingWord;
use Ash\Logbook\LineSaid;
use Ash\Logbook\Room;
use Ash\Logbook\Section;
use Ash\Logbook\Situation;
use Ash\Logbook\Stage;
use Ash\Logbook\Weight;

/** What supply rails bring to the house. The verbs take and answer JSON documents as the contract of `bin/ash` writes them. */
final readonly class RailsRoom extends Room
{
    public function name(): string
    {
        return 'rails';
    }

    public function kinds(): array
    {
        return [
            new EntryKind(
                ReadingTaken::KIND,
                'reading',
                ReadingTaken::class,
                weight: Weight::Evidence,
                attack: 'rails',
                saidAnew: [
                    'volts' => 'Volts',
                    'ripple_mvpp' => 'Ripple, mV peak to peak',
                    'amps' => 'Amperes',
                    'ohms_to_ground' => 'Ohms to ground',
                ],
                keptAsSaid: ['run', 'rail', 'test_point', 'load', 'meter', 'lead_ohm', 'changed'],
                stage: Stage::Supply,
            ),
            new EntryKind(RailsSaid::KIND, 'rails', RailsSaid::class),
            new EntryKind(PointNamed::KIND, 'test point', PointNamed::class),
            new EntryKind(GoodBoard::KIND, 'good board', GoodBoard::class, stage: Stage::ColdChecks),
        ];
    }

    public function lines(): array
    {
        return [
            new ReadingSaid(),
            new LeadingWord(
                ['rails'],
                static fn (string $body): LineSaid => new LineSaid(RailsSaid::KIND, '', (object) ['label' => $body]),
                ['rails' => 'rails +5 6A, +12 1.5A, -12 0.3A, -5'],
            ),
        ];
    }

    public function section(): Section
    {
        return new RailsSection();
    }

    public function findings(Situation $at): Findings
    {
        return RailFindings::of($at);
    }

    public function verbs(): array
    {
        return [
            'judge' => new Verb(
                'verdicts for readings of supply rails, likely causes, power-on advice',
                self::JUDGE_FIELDS,
                self::JUDGE_EXAMPLE,
                self::judge(...),
            ),
            'path' => new Verb('where along a rail the voltage is lost, and where to probe next', self::PATH_FIELDS, self::PATH_EXAMPLE, self::path(...)),
            'budget' => new Verb('the load that is fitted against the supply\'s rating', self::BUDGET_FIELDS, self::BUDGET_EXAMPLE, self::budget(...)),
            'discharge' => new Verb(
                'time, energy and power of discharging a capacitor through a resistor',
                self::DISCHARGE_FIELDS,
                self::DISCHARGE_EXAMPLE,
                self::discharge(...),
            ),
            'logic' => new Verb('logic level of a DC reading, or the average of a square wave', self::LOGIC_FIELDS, self::LOGIC_EXAMPLE, self::logic(...)),
        ];
    }

    /** @return array<string, mixed> */
    private static function judge(Node $node): array
    {
        $node->only('rails', 'meter', 'readings');
        $rails = Rail::readAll($node->at('rails'));
        $meter = MeterAccuracy::read($node->at('meter'));
        $readings = array_map(static fn (Node $reading): Reading => Reading::read($reading, $rails), $node->at('readings')->items());
        $judgement = Judgement::of($rails, $meter, $readings);

        return [
            'verdicts' => array_map(self::verdict(...), $judgement->verdicts),
            'causes' => array_map(self::cause(...), $judgement->causes),
            'power_on' => $judgement->powerOn->value,
            'power_on_reasons' => $judgement->powerOnReasons,
        ];
    }

    /** @return array<string, mixed> */
    public static function verdict(JudgedReading $judged): array
    {
        return [
            'rail' => $judged->rail->name,
            'point' => $judged->reading->point->value,
            'load' => $judged->reading->load->value,
            'volts' => $judged->reading->volts,
            'limits_v' => ['low' => $judged->rail->limits->low, 'high' => $judged->rail->limits->high],
            'guard_v' => $judged->guardV,
            'verdict' => $judged->verdict?->value,
            'deviation_pct' => $judged->deviationPct,
            'conformance_probability' => $judged->conformanceProbability,
            'ripple' => match ($judged->rippleOut) {
                null => null,
                true => 'out',
                false => 'in',
            },
            'conclusive' => $judged->conclusive,
            'meter_unfit' => $judged->meterUnfit,
            'unit_slip' => $judged->unitSlip(),
            'reasons' => $judged->reasons,
        ];
    }

    /** @return array<string, mixed> */
    private static function cause(Cause $cause): array
    {
        return ['code' => $cause->code->value, 'rails' => $cause->rails, 'text' => $cause->text, 'evidence' => $cause->evidence];
    }

    /** @return array<string, mixed> */
    private static function path(Node $node): array
    {
        $node->only('points', 'readings');
        $path = Path::read($node->at('points'));
        $readings = [];
        foreach ($node->at('readings')->items() as $reading) {
            $point = $reading->only('point', 'good')->at('point');
            $path->has($point->string()) || $point->refuse("there is no point \"{$point->string()}\"");
            $readings[] = [$point->string(), $reading->at('good')->bool()];
        }
        $walk = $path->walk($readings);

        return [
            'fault_between' => $walk->faultBetween,
            'next_point' => $walk->nextPoint,
            'segments_left' => $walk->segmentsLeft,
            'worst_case_probes' => $walk->worstCaseProbes,
            'contradiction' => $walk->contradiction,
            'reasons' => $walk->reasons,
        ];
    }

    /** @return array<string, mixed> */
    private static function budget(Node $node): array
    {
        $budget = Budget::read($node);

        return [
            'rails' => array_map(static fn (array $it): array => [...$it, 'verdict' => $it['verdict']->value], $budget->rails),
            'load_w' => $budget->loadW,
            'rating_w' => $budget->ratingW,
            'load_pct' => $budget->loadPct,
            'total_verdict' => $budget->totalVerdict?->value,
            'reasons' => $budget->reasons,
        ];
    }

    /** @return array<string, mixed> */
    private static function discharge(Node $node): array
    {
        $discharge = Discharge::read($node);

        return [
            'time_constant_s' => $discharge->timeConstantS,
            'time_to_safe_s' => $discharge->timeToSafeS,
            'energy_j' => $discharge->energyJ,
            'peak_power_w' => $discharge->peakPowerW,
            'peak_current_a' => $discharge->peakCurrentA,
            'verdict' => $discharge->verdict->value,
            'reasons' => $discharge->reasons,
        ];
    }

    /** @return array<string, mixed> */
    private static function logic(Node $node): array
    {
        $logic = Logic::read($node);

        return [
            'volts' => $logic->volts, 'level' => $logic->level->value, 'thresholds_v' => $logic->thresholdsV, 'may_toggle' => $logic->mayToggle,
            'reasons' => $logic->reasons,
        ];
    }

    private const JUDGE_FIELDS = <<<'TEXT'
        rails[]      name; nominal_v (V, not 0); kind? dc|ac (dc; ac is RMS); tolerance? {minus_pct, plus_pct} or limits_v? {low, high} (V),
                     else 5/5 % for positive and 10/10 % for negative nominals and AC; ripple_max_mvpp? (mV peak to peak);
                     protects?[] (rails whose chips are damaged when this one is missing);
                     needs_load? (true); standby? (false); ohms_good? (ohm to ground of a good one); optional? (false)
        meter        reading_pct (% of reading), counts, resolution_v (V a count)
        readings[]   in time order: rail; volts? (V); load none|partial|working; point? supply|board|chip (supply);
                     ripple_mvpp?; amps? (A); ohms_to_ground? (ohm); lead_ohm? (0); volts or ohms_to_ground or both;
                     changed? (false; true: repaired or adjusted before this reading, earlier ones of the rail are left out)
        gives        verdicts[] (in|in_close|out_close|out, unit_slip), causes[], power_on ok|hold|stop, power_on_reasons[]
        TEXT;
    private const JUDGE_EXAMPLE = <<<'JSON'
        {"rails": [{"name": "+12", "nominal_v": 12, "ripple_max_mvpp": 120}],
         "meter": {"reading_pct": 0.5, "counts": 2, "resolution_v": 0.01},
         "readings": [{"rail": "+12", "volts": 10.8, "load": "working", "ripple_mvpp": 310}]}
        JSON;
    private const PATH_FIELDS = <<<'TEXT'
        points[]     name; weight? (1): likelihood that the fault lies between the point before and this one
        readings[]   point; good true|false
        gives        fault_between [good, bad] or null, next_point or null, segments_left, worst_case_probes, contradiction, reasons[]
        TEXT;
    private const PATH_EXAMPLE = <<<'JSON'
        {"points": [{"name": "supply pin"}, {"name": "fuse F2 out"}, {"name": "connector J3"}, {"name": "chip U7 pin 8"}],
         "readings": [{"point": "connector J3", "good": false}]}
        JSON;
    private const BUDGET_FIELDS = <<<'TEXT'
        supply       rails[] name, nominal_v (V), max_a (A), min_a? (A); rating_w? (W); case_label_w? (W)
        loads[]      name; amps {rail: A}
        gives        rails[] amps, pct, verdict under_minimum|ok|tight|over; load_w, rating_w, load_pct, total_verdict, reasons[]
        TEXT;
    private const BUDGET_EXAMPLE = <<<'JSON'
        {"supply": {"rails": [{"name": "+5", "nominal_v": 5, "max_a": 8}, {"name": "+12", "nominal_v": 12, "max_a": 2}], "rating_w": 60},
         "loads": [{"name": "main board", "amps": {"+5": 5.5, "+12": 0.4}}, {"name": "drive", "amps": {"+5": 0.6, "+12": 0.9}}]}
        JSON;
    private const DISCHARGE_FIELDS = <<<'TEXT'
        capacitance_f (F), start_v (V), resistor_ohm (ohm), safe_v? (60 V: IEC 62368-1, ES1), resistor_v? (V it is rated for)
        gives        time_constant_s, time_to_safe_s, energy_j, peak_power_w, peak_current_a, verdict ok|care|no, reasons[]
        TEXT;
    private const DISCHARGE_EXAMPLE = '{"capacitance_f": 0.00022, "start_v": 325, "resistor_ohm": 2200}';
    private const LOGIC_FIELDS = <<<'TEXT'
        family       ttl|cmos
        supply_v     V
        volts (V) or square {low_v, high_v (V), duty (0 to 1)}
        gives        volts (what a DC meter shows), level low|undefined|high|above_supply|toggling,
                     thresholds_v {low_max, high_min}, may_toggle, reasons[]
        TEXT;
    private const LOGIC_EXAMPLE = '{"family": "ttl", "supply_v": 5, "square": {"low_v": 0, "high_v": 5, "duty": 0.5}}';
}
