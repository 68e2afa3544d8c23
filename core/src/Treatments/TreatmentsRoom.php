<?php

declare(strict_types=1);

namespace Ash\Treatments;

use Ash\Cli\Verb;
use Ash\Document\Node;
use Ash\Facts\Clash;
use Ash\Facts\NeverMix;
use Ash\Facts\OpenThing;
use Ash\Facts\Substance;
use Ash\Logbook\EntryKind;
use Ash\Logbook\Findings;
use Ash\Logbook\LeadingWord;
use Ash\Logbook\OpenKind;
use Ash\Logbook\Room;
use Ash\Logbook\Running;
use Ash\Logbook\Situation;
use Ash\Logbook\Stage;
use Ash\Logbook\Step;
use Ash\Logbook\Urgency;

/** What cleaning, brightening and mending bring to the house. */
final readonly class TreatmentsRoom extends Room
{
    /** An open item as long as a step runs. */
    public const RUNS = 'step';

    public function name(): string
    {
        return 'treatments';
    }

    public function kinds(): array
    {
        return [
            new EntryKind(TreatmentChosen::KIND, 'treatment', TreatmentChosen::class, attack: 'treatments', stage: Stage::Repair),
            new EntryKind(StepBegun::KIND, 'treatment step', StepBegun::class, attack: 'treatments', stage: Stage::Repair),
            new EntryKind(RunsAlone::KIND, 'runs', RunsAlone::class),
            new EntryKind(ColourRead::KIND, 'colour', ColourRead::class, attack: 'treatments', stage: Stage::Repair),
            new EntryKind(StepDone::KIND, 'step done', StepDone::class, attack: 'treatments', stage: Stage::Repair),
        ];
    }

    public function lines(): array
    {
        return [new LeadingWord(['runs'], RunsAlone::said(...), ['runs' => RunsAlone::LINE])];
    }

    public function openKinds(): array
    {
        return [new OpenKind(self::RUNS, 'Running', endedBy: StepDone::KIND, field: 'begun', endWords: 'Done')];
    }

    public function findings(Situation $at): Findings
    {
        $known = $steps = [];
        foreach ($at->facts->all(UnderTreatment::class) as $it) {
            $of = $it->chosen->steps();
            $known[] = $it->chosen->sentence('').match (true) {
                $it->done => ': done',
                $it->running => ': a step is running',
                default => ", step {$it->next} of {$of} comes next",
            };
            $next = $it->step();
            $next === null
                || $steps[] = new Step(
                    "{$it->chosen->part}: {$next->do}", "step {$it->next} of {$of}".($next->caution === null ? '' : ". {$next->caution}"),
                    'treatments', Urgency::Work, minutes: $next->minutes, hands: $next->hands,
                );
        }

        return new Findings(
            known: $known,
            steps: $steps,
            running: array_map(static fn (OpenThing $it): Running => new Running($it->text, $it->since, $it->due), $at->open(self::RUNS)),
        );
    }

    public function verbs(): array
    {
        return [
            'dilute' => new Verb(
                'how much stock and how much water',
                self::DILUTE_FIELDS,
                '{"substance": "hydrogen_peroxide", "stock_pct": 35, "want_pct": 12, "stock_g": 100}',
                self::dilute(...),
            ),
            'electrolysis' => new Verb(
                'rust taken off with a current: whether to, hydrogen, fresh air, warmth',
                self::ELECTROLYSIS_FIELDS,
                self::ELECTROLYSIS_EXAMPLE,
                self::electrolysis(...),
            ),
            'mix' => new Verb('what must not come together', self::MIX_FIELDS, '{"present": ["acetic_acid", "steel", "chlorine_bleach"]}', self::mix(...)),
            'colour' => new Verb('a part beside a reference, before and after', self::COLOUR_FIELDS, self::COLOUR_EXAMPLE, self::colour(...)),
            'choose' => new Verb(
                'the means that fit a damage, side by side, and the steps of the first',
                self::CHOOSE_FIELDS,
                '{"damage": "yellowing", "part": {"material": "abs", "label_to_keep": true}}',
                self::choose(...),
            ),
            'plan' => new Verb('an order of the work around the waiting', self::PLAN_FIELDS, self::PLAN_EXAMPLE, self::plan(...)),
        ];
    }

    /** @return array<string, mixed> */
    private static function dilute(Node $node): array
    {
        $it = Dilution::read($node);

        return [
            'stock_g' => $it->stockG, 'water_g' => $it->waterG(), 'total_g' => $it->totalG, 'restricted' => $it->restricted, 'dissolves' => $it->dissolves,
            'reasons' => $it->reasons,
        ];
    }

    /** @return array<string, mixed> */
    private static function electrolysis(Node $node): array
    {
        $it = Electrolysis::read($node);

        return [
            'verdict' => $it->verdict->value, 'charge_ah' => $it->chargeAh, 'hydrogen_l' => $it->hydrogenL, 'hydrogen_l_per_h' => $it->hydrogenLPerH,
            'air_m3_h' => $it->airM3H, 'end_c' => $it->endC, 'minutes_to_60c' => $it->minutesTo60c, 'reasons' => $it->reasons,
        ];
    }

    /** @return array<string, mixed> */
    private static function mix(Node $node): array
    {
        $node->only('present', 'closed');
        $nodes = $node->at('present')->items();
        $nodes !== [] || $node->at('present')->refuse('must list at least one substance');
        $present = array_map(static fn (Node $it): Substance => $it->enum(Substance::class), $nodes);
        Node::distinct($nodes);
        $closed = $node->optional('closed')?->bool() ?? false;
        $clashes = NeverMix::clashes($present);
        $refused = array_filter($clashes, static fn (Clash $it): bool => $closed || !$it->onlyClosed);

        return [
            'forbidden' => array_map(
                static fn (Clash $it): array => ['a' => $it->a->value, 'b' => $it->b->value, 'makes' => $it->makes, 'only_closed' => $it->onlyClosed],
                $clashes,
            ),
            'verdict' => $refused === [] ? 'ok' : 'refuse',
            'reasons' => $clashes === [] ? ['nothing of it makes anything with another'] : array_map(static fn (Clash $it): string => $it->words(), $clashes),
        ];
    }

    /** @return array<string, mixed> */
    private static function colour(Node $node): array
    {
        $it = ColourCompared::read($node);

        return [
            'before' => $it->before->card(), 'after' => $it->after?->card(), 'reference' => $it->reference?->card(),
            'delta_before' => $it->deltaBefore(), 'delta_after' => $it->deltaAfter(), 'change' => $it->change(), 'progress' => $it->progress(),
            'match' => $it->match(),
            'reasons' => $it->reasons(),
        ];
    }

    /** @return array<string, mixed> */
    private static function plan(Node $node): array
    {
        $it = Plan::read($node)->found();

        return [
            'tasks' => array_map(static fn (int $i): array => [
                'name' => $it->tasks[$i]->name, 'start' => $it->start[$i], 'end' => $it->end[$i],
                'late' => $it->tasks[$i]->due === null ? null : $it->end[$i] - $it->tasks[$i]->due,
            ], $it->order()),
            'makespan' => $it->makespan, 'lateness' => $it->lateness, 'proved' => $it->proved,
            'bound' => ['lateness' => $it->leastLateness, 'makespan' => $it->leastMakespan],
            'gap' => [
                'lateness' => $it->lateness === null ? null : $it->lateness - (float) $it->leastLateness,
                'makespan' => $it->makespan - $it->leastMakespan,
            ],
            'reasons' => $it->reasons(),
        ];
    }

    /** @return array<string, mixed> */
    private static function choose(Node $node): array
    {
        $it = Choose::read($node);

        return [
            'choices' => array_map(static fn (array $choice): array => [
                'id' => $choice[0]->id, 'verdict' => $choice[1]->value, 'minutes' => $choice[0]->minutes, 'reach' => $choice[0]->reach,
                'risk' => $choice[0]->risk,
                'reasons' => $choice[2],
            ], $it->choices),
            'steps' => array_map(
                static fn (TreatmentStep $step): array => [
                    'do' => $step->do,
                    'minutes' => $step->minutes,
                    'hands' => $step->hands,
                    'caution' => $step->caution,
                ],
                $it->steps(),
            ),
        ];
    }

    private const DILUTE_FIELDS = <<<'TEXT'
        substance    hydrogen_peroxide|citric_acid|acetic_acid|isopropyl_alcohol|sodium_carbonate|sodium_bicarbonate
        stock_pct    % by mass, to 100; want_pct, to that of the stock
        total_g or stock_g
        gives        stock_g, water_g, total_g, restricted, dissolves, reasons[]
        TEXT;
    private const ELECTROLYSIS_FIELDS = <<<'TEXT'
        part         metal steel|iron|stainless|aluminium|zinc|copper|brass; plated?, paint_to_keep?, spring?, cavities? (false)
        anode        carbon|mild_steel|stainless
        electrolyte  sodium_carbonate|sodium_hydroxide|sodium_chloride|none; grams_per_litre? (7)
        volts, amps, minutes, bath_l; start_c? (20; 0 to 60), ventilation_m3_h?
        gives        verdict go|care|no, charge_ah, hydrogen_l, hydrogen_l_per_h, air_m3_h, end_c, minutes_to_60c (null above a day), reasons[]
        TEXT;
    private const ELECTROLYSIS_EXAMPLE = <<<'JSON'
        {"part": {"metal": "steel"}, "anode": "carbon", "electrolyte": "sodium_carbonate", "volts": 12, "amps": 5, "minutes": 10, "bath_l": 10}
        JSON;
    private const MIX_FIELDS = <<<'TEXT'
        present[]    substances, and metals as what they touch; closed? (false): in a closed vessel
        gives        forbidden[] a, b, makes, only_closed; verdict ok|refuse, reasons[]
        TEXT;
    private const COLOUR_FIELDS = <<<'TEXT'
        before, after?, reference?   l (0 to 101), a, b (-200 to 200), or r, g, b (0 to 255); grey? r, g, b, and then all others so
        tolerance?   CIEDE2000 (2)
        gives        before, after, reference l, a, b, yellowness; delta_before, delta_after, change, progress, match, reasons[]
        TEXT;
    private const COLOUR_EXAMPLE = <<<'JSON'
        {"before": {"r": 196, "g": 178, "b": 134}, "after": {"r": 212, "g": 206, "b": 190}, "reference": {"r": 214, "g": 209, "b": 196},
          "grey": {"r": 128, "g": 126, "b": 120}}
        JSON;
    private const PLAN_FIELDS = <<<'TEXT'
        tasks[]      name, minutes; hands? (true), needs?[] (resources, one of each), after?[] (names), not_before? (0),
          due?; all in minutes from now; at most 200
        resources?[] name, capacity? (1); when given, every need must be among them
        hands?       pairs of hands (1)
        gives        tasks[] name, start, end, late (null without due), as they begin; makespan, lateness (the largest; null when nothing is due),
                     proved, bound and gap of both, reasons[]. First the least largest lateness, then the earliest end; nothing is interrupted
        TEXT;
    private const PLAN_EXAMPLE = <<<'JSON'
        {"tasks": [{"name": "hang the brackets", "minutes": 10, "needs": ["bath 1"]}, {"name": "bath", "minutes": 15, "hands": false,
          "needs": ["bath 1"], "after": ["hang the brackets"]}, {"name": "rinse", "minutes": 8, "after": ["bath"], "due": 40}, {"name": "rail run",
            "minutes": 15}]}
        JSON;
    private const CHOOSE_FIELDS = <<<'TEXT'
        damage       rust|corroded_contact|yellowing|dirt|grease_old|foam_rot|broken_plastic
        part         material steel|plated_steel|aluminium|copper_alloy|gold_contact|abs|polystyrene|rubber|board;
                     moving?, electronics?, paint_to_keep?, label_to_keep?, magnetic_media_near? (false)
        have?[]      ids of means that are at hand
        gives        choices[] id, verdict fits|with_care|no, minutes, reach, risk (1 to 3), reasons[]; steps[] of the first: do, minutes, hands, caution
        TEXT;
}
