<?php

declare(strict_types=1);

namespace Ash\Capacitors;

use Ash\Cli\Verb;
use Ash\Document\Node;
use Ash\Document\Shape;
use Ash\Facts\CapacitorKind;
use Ash\Logbook\EntryKind;
use Ash\Logbook\Findings;
use Ash\Logbook\Room;
use Ash\Logbook\Section;
use Ash\Logbook\Situation;
use Ash\Logbook\Stage;
use Ash\Logbook\Step;
use Ash\Logbook\Unproven;

/** What capacitors bring to the house. */
final readonly class CapacitorsRoom extends Room
{
    public function name(): string
    {
        return 'capacitors';
    }

    public function kinds(): array
    {
        return [
            new EntryKind(CapacitorFound::KIND, 'capacitor', CapacitorFound::class, attack: 'capacitors'),
            new EntryKind(CapacitorRead::KIND, 'capacitor', CapacitorRead::class, attack: 'capacitors'),
            new EntryKind(Rework::KIND, 'rework', Rework::class, attack: 'capacitors', stage: Stage::Repair),
        ];
    }

    public function lines(): array
    {
        return [new CapacitorLine()];
    }

    public function section(): Section
    {
        return new CapacitorsSection();
    }

    public function findings(Situation $at): Findings
    {
        $it = $at->facts->last(PartsCondemned::class);

        return $it === null ? new Findings() : new Findings(
            steps: [new Step("Replace {$it->words()}.", 'they stand at replace', 'capacitors')],
            unproven: [new Unproven('capacitors stand at replace: '.$it->words(), 'capacitors')],
        );
    }

    public function verbs(): array
    {
        return [
            'judge' => new Verb(
                'keep, watch or replace',
                self::JUDGE_FIELDS,
                '{"part": {"kind": "aluminium", "marked_f": 0.001, "rated_v": 16}, "measured": {"capacitance_f": 0.00074, "esr_ohm": 0.9, '
                    .'"frequency_hz": 100000}, "in_circuit": false, "visual": ["bulged"], "rail_v": 12}',
                self::judge(...),
            ),
            'decode' => new Verb('what a marking means', self::DECODE_FIELDS, '{"marking": "2A103J"}', self::decode(...)),
            'substitute' => new Verb('which part of the shelf may stand for it', self::SUBSTITUTE_FIELDS, self::SUBSTITUTE_EXAMPLE, self::substitute(...)),
            'life' => new Verb(
                'how long an electrolytic lives at a temperature',
                self::LIFE_FIELDS,
                '{"rated_hours": 2000, "rated_c": 105, "actual_c": 65}',
                self::life(...),
            ),
            'sample' => new Verb(
                'replace what measures bad, or all of the kind',
                self::SAMPLE_FIELDS,
                '{"tested": 6, "bad": 2, "untested": 8}',
                self::sample(...),
            ),
        ];
    }

    /** @return array<string, mixed> */
    private static function judge(Node $node): array
    {
        $judged = Judged::read($node);

        return [
            'verdict' => $judged->verdict->value,
            'proven' => $judged->proven,
            'limits' => Shape::of(PartLimits::class)->whole(PartLimits::of($judged->part, $judged->measured)),
            'reasons' => $judged->reasons,
        ];
    }

    /** @return array<string, mixed> */
    private static function decode(Node $node): array
    {
        $marking = $node->only('marking', 'kind')->at('marking');
        $readings = Marking::decode($marking->text(60), $node->optional('kind')?->enum(CapacitorKind::class));

        return $readings === [] ? $marking->refuse('cannot be read as a capacitor\'s marking') : [
            'readings' => array_map(
                static fn (Marking $it): array => [
                    'capacitance_f' => $it->capacitanceF,
                    'tolerance' => $it->tolerance,
                    'rated_v' => $it->ratedV,
                    'scheme' => $it->scheme,
                ],
                $readings,
            ),
        ];
    }

    /** @return array<string, mixed> */
    private static function substitute(Node $node): array
    {
        $node->only('part', 'rail_v', 'clearance_mm', 'stock');
        $wanted = Wanted::read($node->at('part'), $node->optional('rail_v'), $node->optional('clearance_mm'));
        $nodes = $node->at('stock')->items(100_000);
        Node::distinct(array_map(static fn (Node $it): Node => $it->at('sku'), $nodes));

        return [
            'choices' => array_map(
                static fn (Choice $it): array => ['sku' => $it->stock->sku, 'score' => $it->score, 'verdict' => $it->verdict->value, 'reasons' => $it->reasons],
                Choice::ranked(array_map(Stock::read(...), $nodes), $wanted),
            ),
        ];
    }

    /** @return array<string, mixed> */
    private static function life(Node $node): array
    {
        $life = new Life(
            $node->only('rated_hours', 'rated_c', 'actual_c')->at('rated_hours')->positive(),
            $node->at('rated_c')->number(),
            $node->at('actual_c')->number(),
        );

        return ['hours' => $life->hours, 'years' => $life->years, 'years_claimed' => $life->yearsClaimed];
    }

    /** @return array<string, mixed> */
    private static function sample(Node $node): array
    {
        $tested = $node->only('tested', 'bad', 'untested', 'prior_a', 'prior_b')->at('tested')->integer(0, 1_000_000);
        $bad = $node->at('bad')->integer(0);
        $bad <= $tested || $node->at('bad')->refuse("must be at most the number tested, {$tested}");
        $sample = Sample::of(
            $tested,
            $bad,
            $node->at('untested')->integer(0, 1_000_000),
            $node->optional('prior_a')?->positive() ?? Sample::PRIOR_A,
            $node->optional('prior_b')?->positive() ?? Sample::PRIOR_B,
        );

        return [
            'expected_bad' => $sample->expectedBad,
            'probability_any_bad' => $sample->probabilityAnyBad,
            'advice' => $sample->advice->value,
            'reasons' => $sample->reasons,
        ];
    }

    private const JUDGE_FIELDS = <<<'TEXT'
        part         kind aluminium|bipolar|tantalum|polymer|film|ceramic|mains_suppression, marked_f, rated_v, tolerance_minus_pct?, tolerance_plus_pct?
                     (20; film 10), esr_max_ohm?, tan_delta_max?, leakage_max_a?, metallised_paper?
        measured?    capacitance_f?, esr_ohm?, tan_delta?, frequency_hz?, leakage_a?, reformed? (false: the leakage was read after reforming)
        in_circuit   true or false; visual[] bulged|vented|leaking|burst|cracked|corroded_leads|discoloured|missing; rail_v?
        gives        verdict keep|watch|replace, proven, limits capacitance_low_f, capacitance_high_f, esr_max_ohm, tan_delta_max, leakage_max_a; reasons[]
        TEXT;
    private const DECODE_FIELDS = <<<'TEXT'
        marking      as it stands on the part; kind? as in capacitors judge
        gives        readings[] capacitance_f, tolerance {minus_pct, plus_pct} or null, rated_v or null, scheme three_digit|letter_point|
                     voltage_prefixed|plain; the pF reading first
        TEXT;
    private const SUBSTITUTE_FIELDS = <<<'TEXT'
        part         as in capacitors judge, and position filter|coupling|timing|mains, safety_class? X1|X2|Y1|Y2, esr_ohm?, diameter_mm?, height_mm?,
                     pitch_mm?, temperature_c?
        rail_v?, clearance_mm?
        stock[]      sku, kind, marked_f, rated_v, tolerance_minus_pct?, tolerance_plus_pct?, esr_ohm?, hours?, temperature_c?, diameter_mm?, height_mm?,
                     pitch_mm?, safety_class?, quantity
        gives        choices[] sku, score, verdict fits|fits_with_care|no, reasons[], best first
        TEXT;
    private const SUBSTITUTE_EXAMPLE = <<<'JSON'
        {"part": {"kind": "aluminium", "marked_f": 0.0022, "rated_v": 16, "position": "filter",
                  "diameter_mm": 16, "pitch_mm": 7.5, "temperature_c": 85}, "rail_v": 12, "clearance_mm": 30,
         "stock": [{"sku": "A-2200-25", "kind": "aluminium", "marked_f": 0.0022, "rated_v": 25,
                    "hours": 5000, "temperature_c": 105, "diameter_mm": 16, "height_mm": 25, "pitch_mm": 7.5, "quantity": 4},
                   {"sku": "A-2200-16", "kind": "aluminium", "marked_f": 0.0022, "rated_v": 10, "quantity": 12}]}
        JSON;
    private const LIFE_FIELDS = <<<'TEXT'
        rated_hours, rated_c, actual_c    h, degrees Celsius
        gives        hours, years (8766 h each), years_claimed (at most 15)
        TEXT;
    private const SAMPLE_FIELDS = <<<'TEXT'
        tested, bad, untested    parts of one kind; prior_a? (0.5), prior_b? (4.5)
        gives        expected_bad, probability_any_bad, advice replace_all|test_rest, reasons[]
        TEXT;
}
