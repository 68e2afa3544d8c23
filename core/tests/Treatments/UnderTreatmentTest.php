<?php

declare(strict_types=1);

namespace Ash\Tests\Treatments;

use Ash\Document\InvalidDocument;
use Ash\Document\Node;
use Ash\Document\Shape;
use Ash\Facts\Facts;
use Ash\Facts\OpenThing;
use Ash\Facts\Substance as S;
use Ash\Logbook\Allowance;
use Ash\Logbook\Running;
use Ash\Logbook\Situation;
use Ash\Logbook\Stage;
use Ash\Logbook\Step;
use Ash\Tests\House;
use Ash\Treatments\Amounts;
use Ash\Treatments\Damage;
use Ash\Treatments\Material;
use Ash\Treatments\MeansTable;
use Ash\Treatments\Meeting;
use Ash\Treatments\PartFlag;
use Ash\Treatments\RunsAlone;
use Ash\Treatments\StepBegun;
use Ash\Treatments\TreatmentChosen;
use Ash\Treatments\TreatmentStep;
use Ash\Treatments\UnderTreatment;
use Ash\Treatments\Vessel;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Parts under treatment: what may be chosen, what comes next, and what must not meet. */
final class UnderTreatmentTest extends TestCase
{
    private static function brackets(string $means = 'electrolysis'): TreatmentChosen
    {
        return new TreatmentChosen('slot brackets', Damage::Rust, Material::Steel, $means);
    }

    /** The handbook's table "Means", column "not for", as it is refused at the door. */
    public function test_a_means_that_does_harm_is_refused_with_what_rules(): void
    {
        $read = static fn (string $json): object => Shape::of(TreatmentChosen::class)->read(Node::parse($json));
        self::assertEquals(self::brackets(), $read('{"part": "slot brackets", "damage": "rust", "material": "steel", "means": "electrolysis"}'));
        foreach ([
            '{"part": "p", "damage": "rust", "material": "aluminium", "means": '
                .'"electrolysis"}' => 'it would do harm here: not for it: aluminium, not for it: other than steel',
            '{"part": "p", "damage": "rust", "material": "steel", "means": "electrolysis", "flags": ["moving"]}' => 'it would do harm here: not for it: moving',
            '{"part": "p", "damage": "yellowing", "material": "abs", "means": "electrolysis"}' => 'is no means against yellowing',
            '{"part": "p", "damage": "rust", "material": "steel", "means": "hammer"}' => 'is no means against rust',
        ] as $json => $says) {
            try {
                $read($json);
                self::fail($json);
            } catch (InvalidDocument $refused) {
                self::assertSame(['/means', $says], [$refused->pointer, $refused->detail]);
            }
        }
        self::assertSame('slot brackets: rust, electrolysis', self::brackets()->sentence(''));
        self::assertSame(
            'case top: rotten foam, scrape replace foam',
            (new TreatmentChosen('case top', Damage::FoamRot, Material::Abs, 'scrape_replace_foam', [PartFlag::Moving]))->sentence(''),
        );
    }

    public function test_steps_come_one_after_the_other(): void
    {
        foreach ([
            [[], [], 1, false, false], [[1], [], null, true, false], [[1], [1], 2, false, false], [[1, 2], [1], null, true, false],
            [[1, 2, 3, 4, 5, 6, 7], [1, 2, 3, 4, 5, 6, 7], null, false, true], [[3], [3], 4, false, false],
        ] as [$begun, $ended, $next, $running, $done]) {
            $it = UnderTreatment::of(self::brackets(), $begun, $ended);
            self::assertSame([$next, $running, $done], [$it->next, $it->running, $it->done]);
            self::assertSame($next === null ? null : MeansTable::named('electrolysis')?->steps[$next - 1]->do, $it->step()?->do);
        }
        self::assertSame(7, self::brackets()->steps());
    }

    public function test_a_step_that_begins_knows_its_end_and_what_is_in_the_vessel(): void
    {
        $step = MeansTable::named('electrolysis')->steps[4] ?? self::fail('the bath runs in step 5');
        $at = new \DateTimeImmutable('2026-11-28T14:06:00Z');
        $begun = (new StepBegun('01JK8E3CT09KHR96A3PYK2KXS1', 5, 'bath 1'))->of(self::brackets(), $step, $at);
        self::assertSame(['slot brackets', false, '2026-11-28T14:20:00+00:00'], [$begun->part, $begun->hands, $begun->dueAt?->format('c')]);
        self::assertSame([S::SodiumCarbonate, S::Steel], $begun->substances);
        self::assertSame(
            'slot brackets, step 5: Let it run; look at the current and the warmth of the bath, stop at 60 C. In bath 1. Until 28 Nov 14:20 UTC.',
            $begun->sentence(''),
        );
        $longer = (new StepBegun('01JK8E3CT09KHR96A3PYK2KXS1', 5, minutes: 0.5))->of(self::brackets(), $step, $at);
        self::assertSame('2026-11-28T14:06:30+00:00', $longer->dueAt?->format('c'));
        self::assertSame([S::Steel, S::Zinc], Material::PlatedSteel->meets());
        self::assertSame([[S::Aluminium], [S::Copper], []], [Material::Aluminium->meets(), Material::CopperAlloy->meets(), Material::Abs->meets()]);
    }

    /** treatments.md, "Never mix". */
    public function test_what_must_not_meet_is_said_with_both_names_and_what_they_make(): void
    {
        $vinegar = [S::AceticAcid, S::Steel];
        self::assertSame([], Meeting::refused($vinegar, [], false));
        self::assertSame(['vinegar (acetic acid) and steel in the same step make hydrogen'], Meeting::refused($vinegar, [], true));
        self::assertSame(
            ['vinegar (acetic acid) and chlorine bleach in bath 1 make chlorine'],
            Meeting::refused($vinegar, ['in bath 1' => [S::ChlorineBleach, S::Water]], false),
        );
        self::assertSame(
            [
                'hydrogen peroxide and vinegar (acetic acid) on the lid make peracetic acid',
                'hydrogen peroxide and acetone on the table make explosive peroxides',
            ],
            Meeting::refused([S::HydrogenPeroxide], ['on the lid' => [S::AceticAcid], 'on the table' => [S::Acetone]], false),
        );
        self::assertSame([], Meeting::refused($vinegar, ['in bath 1' => [S::SodiumCarbonate]], false), 'told only in a closed vessel');
        self::assertCount(2, Meeting::refused($vinegar, ['in bath 1' => [S::SodiumCarbonate]], true));
    }

    public function test_what_a_part_met_stays_on_it_until_it_is_rinsed(): void
    {
        $steps = MeansTable::named('vinegar_soak')->steps ?? [];
        self::assertSame([], Meeting::left(array_slice($steps, 0, 1)));
        self::assertSame([S::AceticAcid], Meeting::left(array_slice($steps, 0, 5)));
        self::assertSame([], Meeting::left(array_slice($steps, 0, 6)));
        self::assertSame([S::AceticAcid], Meeting::left([...$steps, $steps[1]]));
    }

    /** @return iterable<string, array{string, list<S>}> what each means brings together with the part, written down by hand from the notes for the steps */
    public static function meets(): iterable
    {
        yield 'brush' => ['brush_oil', [S::IsopropylAlcohol, S::LightOil]];
        yield 'vinegar' => ['vinegar_soak', [S::AceticAcid, S::Water, S::SodiumCarbonate]];
        yield 'current' => ['electrolysis', [S::SodiumCarbonate, S::Water]];
        yield 'converter' => ['rust_converter', [S::PhosphoricAcid, S::Water]];
        yield 'cleaner' => ['contact_cleaner', [S::ContactCleaner]];
        yield 'pen' => ['fibre_pen', [S::IsopropylAlcohol]];
        yield 'swab' => ['alcohol_swab', [S::IsopropylAlcohol]];
        yield 'soap' => ['soap_wash', [S::Water, S::Detergent]];
        yield 'cream' => ['cream_cleaner', [S::Detergent, S::Water]];
        yield 'sponge' => ['melamine_sponge', [S::Water]];
        yield 'vapour' => ['vapour_brightening', [S::HydrogenPeroxide, S::Water]];
        yield 'sun' => ['sun_alone', []];
        yield 'grease' => ['degrease_relube', [S::IsopropylAlcohol, S::LightOil]];
        yield 'foam' => ['scrape_replace_foam', [S::IsopropylAlcohol]];
        yield 'weld' => ['solvent_weld', [S::Acetone]];
        yield 'powder' => ['glue_and_powder', []];
        yield 'filler' => ['mould_and_filler', []];
    }

    /** @param list<S> $with */
    #[DataProvider('meets')]
    public function test_each_means_says_what_the_part_meets_and_none_clashes_with_itself(string $id, array $with): void
    {
        $steps = MeansTable::named($id)->steps ?? [];
        self::assertSame($with, array_values(array_unique(array_merge(...array_map(static fn (TreatmentStep $it): array => $it->with, $steps)), SORT_REGULAR)));
        $before = [];
        foreach ($steps as $step) {
            self::assertSame([], Meeting::refused($step->with, ['on the part' => Meeting::left($before)], false), $step->do);
            $before[] = $step;
        }
    }

    public function test_the_job_says_what_runs_and_what_comes_next(): void
    {
        $hall = \Ash\Rooms::hall();
        self::assertSame(
            ['treatment', 'treatment_step', 'treatment_done'],
            array_values(array_filter(array_keys($hall->kinds->all), static fn (string $it): bool => str_starts_with($it, 'treatment'))),
        );
        self::assertSame(
            ['treatment_done', 'begun', 'Done'],
            [$hall->openKinds['step']->endedBy, $hall->openKinds['step']->field, $hall->openKinds['step']->endWords],
        );
        $due = new \DateTimeImmutable('2026-11-28T14:20:00Z');
        $facts = new Facts(
            UnderTreatment::of(self::brackets(), [], []), UnderTreatment::of(self::brackets('brush_oil'), [1], []),
            new OpenThing('step', 'slot brackets: Brush', $due, due: $due),
        );
        $sheet = $hall->sheet(new Situation(Stage::Find, House::profile(), $facts, new Allowance(0, 480, 0), 'rusty'));
        self::assertContains('slot brackets: rust, electrolysis, step 1 of 7 comes next', $sheet->known);
        self::assertContains('slot brackets: rust, brush oil: a step is running', $sheet->known);
        self::assertEquals([new Running('slot brackets: Brush', $due, $due)], $sheet->running);
        $steps = array_values(array_filter($sheet->steps, static fn (Step $it): bool => $it->room === 'treatments'));
        self::assertSame(
            [['slot brackets: Degrease the part and scrape a bright spot for the clip.', 4.0]],
            array_map(static fn (Step $it): array => [$it->text, $it->minutes], $steps),
        );
    }

    public function test_what_runs_alone_is_said_in_a_line(): void
    {
        foreach ([
            'runs 24 h drying of the board in oven' => ['drying of the board', 1440.0, 'oven', 'Runs: drying of the board, 24 h, in oven'],
            'runs 90 min: glue on the lid' => ['glue on the lid', 90.0, null, 'Runs: glue on the lid, 1.5 h'],
            'runs 1,5 h memory soak' => ['memory soak', 90.0, null, 'Runs: memory soak, 1.5 h'],
            'runs 2 d charging, cells in drawer 3' => ['charging, cells', 2880.0, 'drawer 3', 'Runs: charging, cells, 48 h, in drawer 3'],
            'runs 5 min rinse' => ['rinse', 5.0, null, 'Runs: rinse, 5 min'],
        ] as $line => [$what, $minutes, $occupies, $says]) {
            $said = RunsAlone::said(substr($line, 5), $line);
            self::assertSame('runs', $said->kind);
            $read = Shape::of(RunsAlone::class)->read(Node::of((object) (array) $said->data));
            self::assertEquals(new RunsAlone($what, $minutes, $occupies), $read, $line);
            self::assertSame($says, $read->sentence(''));
        }
        self::assertSame('observation', RunsAlone::said('now without a fault', 'runs now without a fault')->kind);
        self::assertSame('2026-11-28T01:30:00+00:00', (new RunsAlone('glue', 90))->from(new \DateTimeImmutable('2026-11-28T00:00:00Z'))->dueAt?->format('c'));
    }

    /** By hand: 7 g a litre; crystals are 37 % carbonate; 5 A for 14 min makes 0.524 l of hydrogen, 12 V and 5 A warm 10 l by 1.20 C in that time. */
    public function test_amounts_are_worked_out_for_the_vessel_at_hand(): void
    {
        $chosen = static fn (string $means, Damage $damage, Material $of, ?Vessel $vessel, PartFlag ...$flags): array => Amounts::of(
            new TreatmentChosen('brackets', $damage, $of, $means, array_values($flags), $vessel),
        );
        $bath = $chosen('electrolysis', Damage::Rust, Material::Steel, new Vessel(10, 12, 5));
        self::assertSame([2, 5], array_keys($bath));
        self::assertSame(['70 g of washing soda without water, or 189 g of its crystals, in 10 l'], $bath[2]);
        self::assertSame(
            ['2.24 l of hydrogen an hour want 0.224 m3 of fresh air an hour; the supply off before a clip is touched: a spark lights it'],
            array_slice($bath[5], 1),
        );
        self::assertSame('in 14 min the bath warms to 21.2 C at most, and 0.524 l of hydrogen rise', $bath[5][0]);
        self::assertSame([2], array_keys($chosen('electrolysis', Damage::Rust, Material::Steel, new Vessel(10))));
        $care = $chosen('electrolysis', Damage::Rust, Material::Steel, new Vessel(10, 24, 5, airM3H: 0.1), PartFlag::PaintToKeep)[5];
        self::assertSame(['paint comes off with it', '24 V: dry hands, and the supply off before anything is touched'], array_slice($care, 1, 2));
        self::assertSame(
            [[], []],
            [$chosen('electrolysis', Damage::Rust, Material::Steel, null), $chosen('brush_oil', Damage::Rust, Material::Steel, new Vessel(5))],
        );
        self::assertSame([2 => ['2 l as it comes out of the bottle']], $chosen('vinegar_soak', Damage::Rust, Material::Steel, new Vessel(2)));
        self::assertStringStartsWith('400 g of 25 % and 1600 g of water make 2000 g of 5 %', $chosen('vinegar_soak', Damage::Rust, Material::Steel, new Vessel(
            2, stockPct: 25,
        ))[2][0]);
        $peroxide = $chosen('vapour_brightening', Damage::Yellowing, Material::Abs, new Vessel(0.5, stockPct: 35));
        self::assertSame([2], array_keys($peroxide));
        self::assertStringStartsWith('500 g of 12 % and 0 g of water', $chosen('vapour_brightening', Damage::Yellowing, Material::Abs, new Vessel(
            0.5, stockPct: 12,
        ))[2][0]);
        self::assertStringContainsString('171.4 g of 35 % and 328.6 g of water make 500 g of 12 %', $peroxide[2][0]);
        self::assertStringContainsString('restricted', $peroxide[2][1]);
        try {
            House::entry('treatment', [
                'part' => 'a', 'damage' => 'rust', 'material' => 'steel', 'means' => 'electrolysis', 'vessel' => ['litres' => 10, 'volts' => 40, 'amps' => 5],
            ]);
            self::fail('40 V over a bath');
        } catch (InvalidDocument $refused) {
            self::assertSame(['/vessel', "40 V: above 30 V nobody's wet hands belong near a bath"], [$refused->pointer, $refused->detail]);
        }
    }
}
