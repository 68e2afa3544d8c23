<?php

declare(strict_types=1);

namespace Ash\Tests\Treatments;

use Ash\Facts\Substance;
use Ash\Tests\Asks;
use Ash\Treatments\Colour;
use Ash\Treatments\Damage;
use Ash\Treatments\Material;
use Ash\Treatments\MeansTable;
use Ash\Treatments\PartFlag;
use Ash\Treatments\TreatmentsRoom;
use Ash\Treatments\TreatmentStep;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class TreatmentsTest extends TestCase
{
    use Asks;

    /**
     * @param array<string, mixed> $document
     *
     * @return array<string, mixed>
     */
    private static function ask(string $verb, array $document): array
    {
        return self::put(new TreatmentsRoom(), $verb, $document);
    }

    public function test_dilution(): void
    {
        $of = static fn (string $substance, float $stock, float $want, string $field, float $g): array => self::ask(
            'dilute',
            ['substance' => $substance, 'stock_pct' => $stock, 'want_pct' => $want, $field => $g],
        );
        // Handbook: 100 g of 35 % to 12 % takes 191.7 g of water.
        $found = $of('hydrogen_peroxide', 35, 12, 'stock_g', 100);
        self::assertEqualsWithDelta([100, 191.6667, 291.6667], [$found['stock_g'], $found['water_g'], $found['total_g']], 1e-4);
        $back = $of('hydrogen_peroxide', 35, 12, 'total_g', 291.666666666667);
        self::assertEqualsWithDelta([100, 191.6667, 291.6667], [$back['stock_g'], $back['water_g'], $back['total_g']], 1e-4);
        self::assertTrue($found['restricted']);
        self::assertFalse($of('hydrogen_peroxide', 12, 3, 'total_g', 100)['restricted']);
        self::assertFalse($of('citric_acid', 35, 3, 'total_g', 100)['restricted']);
        foreach ([
            ['citric_acid', 59, true], ['citric_acid', 59.1, false], ['sodium_carbonate', 17.5, true], ['sodium_carbonate', 17.6, false],
            ['sodium_bicarbonate', 8.7, true], ['sodium_bicarbonate', 8.8, false], ['acetic_acid', 100, true], ['isopropyl_alcohol', 100, true],
        ] as [$substance, $want, $dissolves]) {
            self::assertSame($dissolves, $of($substance, 100, $want, 'total_g', 100)['dissolves'], "{$substance} {$want}");
        }
        self::assertEqualsWithDelta([80, 0, 80], array_slice(array_values($of('acetic_acid', 5, 5, 'stock_g', 80)), 0, 3), 1e-12);
        self::assertSame('acid into water, never water into acid', ((array) $of('acetic_acid', 25, 5, 'stock_g', 80)['reasons'])[1]);
    }

    /** @return array<string, array{array<string, mixed>, string, string}> what is other, verdict, a word of the reason */
    public static function baths(): array
    {
        $metal = static fn (string $metal, string ...$flags): array => ['part' => ['metal' => $metal] + array_fill_keys($flags, true)];

        return [
            'the usual' => [[], 'go', 'hydrogen'], 'iron' => [$metal('iron'), 'go', ''], 'ten grams' => [['grams_per_litre' => 10], 'go', ''],
            'stainless anode' => [['anode' => 'stainless'], 'no', 'chromates'], 'salt' => [['electrolyte' => 'sodium_chloride'], 'no', 'chlorine'],
            'stainless part' => [$metal('stainless'), 'no', 'only steel and iron'], 'aluminium' => [$metal('aluminium'), 'no', 'aluminium'],
            'plated' => [$metal('steel', 'plated'), 'no', 'plating'], 'a spring' => [$metal('steel', 'spring'), 'no', 'brittle'],
            'plain water' => [['electrolyte' => 'none', 'grams_per_litre' => 900], 'no', 'electrolyte'], 'above 30 V' => [['volts' => 30.1], 'no', '30 V'],
            'thirty volts' => [['volts' => 30], 'care', 'dry hands'], 'fifteen volts' => [['volts' => 15], 'go', ''],
            'above fifteen' => [['volts' => 15.1], 'care', 'dry hands'],
            'paint' => [$metal('steel', 'paint_to_keep'), 'care', 'paint'], 'hollow' => [$metal('steel', 'cavities'), 'care', 'hollows'],
            'lye' => [['electrolyte' => 'sodium_hydroxide'], 'care', 'lye'], 'mild steel anode' => [['anode' => 'mild_steel'], 'care', 'eaten'],
            'weak' => [['grams_per_litre' => 4.9], 'care', '5 to 10'], 'strong' => [['grams_per_litre' => 10.1], 'care', '5 to 10'],
            'warm' => [['minutes' => 480], 'care', 'stop at 60'], 'hardly any air' => [['ventilation_m3_h' => 0.05], 'no', 'explosive'],
            'a quarter of the air' => [['ventilation_m3_h' => 0.2244286676685495 / 4], 'care', 'fresh air'],
            'little air' => [['ventilation_m3_h' => 0.2], 'care', 'fresh air'],
            'air enough' => [['ventilation_m3_h' => 0.2244286676685495], 'go', ''],
        ];
    }

    /** @param array<string, mixed> $other */
    #[DataProvider('baths')]
    public function test_electrolysis(array $other, string $verdict, string $word): void
    {
        $usual = [
            'part' => ['metal' => 'steel'], 'anode' => 'carbon', 'electrolyte' => 'sodium_carbonate', 'volts' => 12, 'amps' => 5, 'minutes' => 10,
            'bath_l' => 10,
        ];
        $found = self::ask('electrolysis', [...$usual, ...$other]);
        self::assertSame($verdict, $found['verdict']);
        $reasons = (array) $found['reasons'];
        self::assertStringContainsString($word, (string) $reasons[0]);
        self::assertCount($verdict === 'go' ? 1 : 2, $reasons, 'one rule, one reason, and the hydrogen');
    }

    public function test_electrolysis_figures(): void
    {
        $usual = [
            'part' => ['metal' => 'steel', 'spring' => true, 'cavities' => true], 'anode' => 'carbon', 'electrolyte' => 'sodium_carbonate',
            'volts' => 12, 'amps' => 5, 'minutes' => 10, 'bath_l' => 10,
        ];
        $found = self::ask('electrolysis', $usual);
        // Handbook: 5 A for 10 min makes 0.374 l; Faraday's law, 24.06 l/mol; the bath by 4186 J a litre and degree.
        self::assertEqualsWithDelta(
            [5 / 6, 0.374, 6 * 0.374, 6 * 0.374 / 10, 20 + 36_000 / 41_860],
            [$found['charge_ah'], $found['hydrogen_l'], $found['hydrogen_l_per_h'], $found['air_m3_h'], $found['end_c']],
            1e-3,
        );
        self::assertEqualsWithDelta(40 * 41_860 / 3600, $found['minutes_to_60c'], 1e-9);
        self::assertStringContainsString('brittle', (string) ((array) $found['reasons'])[0], 'those of the verdict first');
        self::assertStringContainsString('hollows', (string) ((array) $found['reasons'])[1]);
        self::assertSame(100.0, (float) self::ask('electrolysis', ['minutes' => 6000] + $usual)['end_c']);
        self::assertNull(self::ask('electrolysis', ['bath_l' => 31] + $usual)['minutes_to_60c'], 'more than a day');
        self::assertNotNull(self::ask('electrolysis', ['bath_l' => 30] + $usual)['minutes_to_60c']);
        self::assertSame(0.0, (float) self::ask('electrolysis', ['start_c' => 60] + $usual)['minutes_to_60c']);
    }

    public function test_what_must_not_come_together(): void
    {
        // The handbook's table, written down again: each of the first with each of the second.
        $acids = ['acetic_acid', 'citric_acid', 'phosphoric_acid'];
        $table = [
            [$acids, ['chlorine_bleach'], 'chlorine', false], [['ammonia'], ['chlorine_bleach'], 'chloramine', false],
            [['isopropyl_alcohol', 'acetone', 'contact_cleaner'], ['chlorine_bleach'], 'chloroform and worse', false],
            [['hydrogen_peroxide'], ['chlorine_bleach'], 'oxygen in bulk, bursting', false], [['acetic_acid'], ['hydrogen_peroxide'], 'peracetic acid', false],
            [['acetone'], ['hydrogen_peroxide'], 'explosive peroxides', false],
            [['isopropyl_alcohol', 'contact_cleaner'], ['hydrogen_peroxide'], 'oxygen and heat over a solvent', true],
            [['sodium_hydroxide'], ['hydrogen_peroxide'], 'oxygen, heat and spatter', false],
            [['ammonia', 'sodium_carbonate', 'sodium_bicarbonate', 'steel', 'copper'], ['hydrogen_peroxide'], 'oxygen, bursting', true],
            [['sodium_hydroxide'], ['aluminium', 'zinc'], 'hydrogen', false], [['sodium_carbonate'], ['aluminium'], 'hydrogen', true],
            [$acids, ['aluminium', 'zinc', 'steel'], 'hydrogen', true], [$acids, ['sodium_carbonate', 'sodium_bicarbonate'], 'carbon dioxide', true],
            [$acids, ['sodium_hydroxide'], 'heat and spatter', false],
        ];
        $expected = [];
        foreach ($table as [$ones, $others, $makes, $closed]) {
            foreach ($ones as $one) {
                foreach ($others as $other) {
                    $expected["{$one} {$other}"] = $expected["{$other} {$one}"] = [$makes, $closed];
                }
            }
        }
        $all = array_column(Substance::cases(), 'value');
        foreach ($all as $i => $a) {
            foreach ([...array_slice($all, 0, $i), ...array_slice($all, $i + 1)] as $b) {
                $found = self::ask('mix', ['present' => [$a, $b]]);
                $row = $expected["{$a} {$b}"] ?? null;
                self::assertSame($row === null ? [] : [['a' => $a, 'b' => $b, 'makes' => $row[0], 'only_closed' => $row[1]]], $found['forbidden']);
                self::assertSame($row === null || $row[1] ? 'ok' : 'refuse', $found['verdict']);
                self::assertSame($row === null ? 'ok' : 'refuse', self::ask('mix', ['present' => [$a, $b], 'closed' => true])['verdict']);
            }
        }
        $three = self::ask('mix', ['present' => ['water', 'steel', 'acetic_acid', 'chlorine_bleach']]);
        self::assertSame(
            ['steel acetic_acid', 'acetic_acid chlorine_bleach'],
            array_map(static fn (array $it): string => "{$it['a']} {$it['b']}", (array) $three['forbidden']),
        );
    }

    /** Sharma, Wu, Dalal, "The CIEDE2000 color-difference formula", Color Research and Application 30(1), 2005, table 1 (from memory). */
    private const PAIRS = [
        [50, 2.6772, -79.7751, 50, 0, -82.7485, 2.0425], [50, 3.1571, -77.2803, 50, 0, -82.7485, 2.8615], [50, 2.8361, -74.0200, 50, 0, -82.7485, 3.4412],
        [50, -1.3802, -84.2814, 50, 0, -82.7485, 1.0000], [50, -1.1848, -84.8006, 50, 0, -82.7485, 1.0000], [50, -0.9009, -85.5211, 50, 0, -82.7485, 1.0000],
        [50, 0, 0, 50, -1, 2, 2.3669], [50, -1, 2, 50, 0, 0, 2.3669], [50, 2.49, -0.001, 50, -2.49, 0.0009, 7.1792],
        [50, 2.49, -0.001, 50, -2.49, 0.001, 7.1792],
        [50, 2.49, -0.001, 50, -2.49, 0.0011, 7.2195], [50, 2.49, -0.001, 50, -2.49, 0.0012, 7.2195], [50, -0.001, 2.49, 50, 0.0009, -2.49, 4.8045],
        [50, -0.001, 2.49, 50, 0.001, -2.49, 4.8045], [50, -0.001, 2.49, 50, 0.0011, -2.49, 4.7461], [50, 2.5, 0, 50, 0, -2.5, 4.3065],
        [50, 2.5, 0, 73, 25, -18, 27.1492], [50, 2.5, 0, 61, -5, 29, 22.8977], [50, 2.5, 0, 56, -27, -3, 31.9030], [50, 2.5, 0, 58, 24, 15, 19.4535],
        [50, 2.5, 0, 50, 3.1736, 0.5854, 1.0000], [50, 2.5, 0, 50, 3.2972, 0, 1.0000], [50, 2.5, 0, 50, 1.8634, 0.5757, 1.0000],
        [50, 2.5, 0, 50, 3.2592, 0.3350, 1.0000],
        [60.2574, -34.0099, 36.2677, 60.4626, -34.1751, 39.4387, 1.2644], [63.0109, -31.0961, -5.8663, 62.8187, -29.7946, -4.0864, 1.2630],
        [61.2901, 3.7196, -5.3901, 61.4292, 2.2480, -4.9620, 1.8731], [35.0831, -44.1164, 3.7933, 35.0232, -40.0716, 1.5901, 1.8645],
        [22.7233, 20.0904, -46.6940, 23.0331, 14.9730, -42.5619, 2.0373], [36.4612, 47.8580, 18.3852, 36.2715, 50.5065, 21.2231, 1.4146],
        [90.8027, -2.0831, 1.4410, 91.1528, -1.6435, 0.0447, 1.4441], [90.9257, -0.5406, -0.9208, 88.6381, -0.8985, -0.7239, 1.5381],
        [6.7747, -0.2908, -2.4247, 5.8714, -0.0985, -2.2286, 0.6377], [2.0776, 0.0795, -1.1350, 0.9033, -0.0636, -0.5514, 0.9082],
    ];

    public function test_colour_difference_by_the_published_pairs(): void
    {
        foreach (self::PAIRS as [$l, $a, $b, $m, $c, $d, $delta]) {
            self::assertEqualsWithDelta($delta, Colour::lab($l, $a, $b)->difference(Colour::lab($m, $c, $d)), 5e-5, "{$l} {$a} {$b}");
            self::assertEqualsWithDelta($delta, Colour::lab($m, $c, $d)->difference(Colour::lab($l, $a, $b)), 5e-5);
        }
    }

    public function test_colours(): void
    {
        $rgb = static fn (float $r, float $g, float $b): array => ['r' => $r, 'g' => $g, 'b' => $b];
        $lab = static fn (array $it): array => array_slice(array_values((array) $it), 0, 3);
        // sRGB primaries in CIELAB (D65), as general-purpose libraries give them.
        foreach ([
            [255, 0, 0, 53.2408, 80.0925, 67.2032],
            [0, 255, 0, 87.7347, -86.1827, 83.1793],
            [0, 0, 255, 32.2970, 79.1875, -107.8602],
            [119, 119, 119, 50.0344, 0, 0],
        ] as [$r, $g, $b, $l, $a, $bb]) {
            self::assertEqualsWithDelta([$l, $a, $bb], $lab((array) self::ask('colour', ['before' => $rgb($r, $g, $b)])['before']), 2e-2);
        }
        // The coefficients of E313 give 0 for the white; black has none; what goes to CIELAB comes back.
        $white = (array) self::ask('colour', ['before' => ['l' => 100, 'a' => 0, 'b' => 0]])['before'];
        self::assertEqualsWithDelta(0.0, $white['yellowness'], 0.01);
        self::assertNull(((array) self::ask('colour', ['before' => $rgb(0, 0, 0)])['before'])['yellowness']);
        self::assertNull(((array) self::ask('colour', ['before' => ['l' => 0, 'a' => 0, 'b' => 0]])['before'])['yellowness']);
        foreach ([[196, 178, 134], [20, 30, 5], [3, 2, 1]] as [$r, $g, $b]) {
            $one = (array) self::ask('colour', ['before' => $rgb($r, $g, $b)])['before'];
            $back = (array) self::ask('colour', ['before' => ['l' => $one['l'], 'a' => $one['a'], 'b' => $one['b']]])['before'];
            self::assertEqualsWithDelta($one['yellowness'], $back['yellowness'], 1e-6);
        }
        // A lamp that takes a third of the blue: with the grey card the colours are those of daylight.
        $lit = static function (array $it): array {
            $light = static fn (float $v): float => $v <= 0.0031308 ? 12.92 * $v * 255 : (1.055 * $v ** (1 / 2.4) - 0.055) * 255;

            return ['r' => $it['r'], 'g' => $it['g'], 'b' => $light(Colour::toLinear($it['b']) * 2 / 3)];
        };
        $day = self::ask('colour', ['before' => $rgb(150, 140, 90), 'reference' => $rgb(160, 155, 140), 'grey' => $rgb(128, 128, 128)]);
        $lamp = self::ask('colour', ['before' => $lit($rgb(150, 140, 90)), 'reference' => $lit($rgb(160, 155, 140)), 'grey' => $lit($rgb(128, 128, 128))]);
        self::assertGreaterThan(
            3.0,
            abs((float) self::ask('colour', ['before' => $lit($rgb(150, 140, 90)), 'reference' => $rgb(150, 140, 90)])['delta_before']),
        );
        self::assertEqualsWithDelta(((array) $day['before'])['a'], ((array) $lamp['before'])['a'], 0.6);
        self::assertEqualsWithDelta($day['delta_before'], $lamp['delta_before'], 0.6);
        // Clipped: brighter than the card allows.
        self::assertEqualsWithDelta(
            [100, 0, 0],
            $lab((array) self::ask('colour', ['before' => $rgb(255, 255, 255), 'grey' => $rgb(60, 60, 60)])['before']),
            0.01,
        );
    }

    public function test_progress_and_match(): void
    {
        $l = static fn (float $l): array => ['l' => $l, 'a' => 0, 'b' => 0];
        $found = self::ask('colour', ['before' => $l(50), 'after' => $l(55), 'reference' => $l(60)]);
        self::assertSame([false], [$found['match']]);
        self::assertEqualsWithDelta(1 - $found['delta_after'] / $found['delta_before'], $found['progress'], 1e-12);
        self::assertEqualsWithDelta($found['change'], Colour::lab(50, 0, 0)->difference(Colour::lab(55, 0, 0)), 1e-12);
        $alone = self::ask('colour', ['before' => $l(50)]);
        self::assertSame(
            [null, null, null, null, null, null, null],
            [$alone['after'], $alone['reference'], $alone['delta_before'], $alone['delta_after'], $alone['change'], $alone['progress'], $alone['match']],
        );
        $same = self::ask('colour', ['before' => $l(50), 'after' => $l(51), 'reference' => $l(50)]);
        self::assertSame([null, true], [$same['progress'], $same['match']]);
        $delta = (float) self::ask('colour', ['before' => $l(50), 'reference' => $l(53)])['delta_before'];
        foreach ([[$delta, true], [$delta - 0.001, false]] as [$tolerance, $match]) {
            self::assertSame($match, self::ask('colour', ['before' => $l(50), 'reference' => $l(53), 'tolerance' => $tolerance])['match']);
        }
        self::assertFalse(self::ask('colour', ['before' => $l(50), 'reference' => $l(53)])['match'], 'two, when nothing is said');
    }

    /** The handbook's table, written down again: for; not; other than; with care; minutes, reach, risk. */
    private const MEANS = <<<'TEXT'
        brush_oil: rust; plated_steel electronics; steel; magnetic_media_near; 20 surface 1
        vinegar_soak: rust; plated_steel aluminium electronics; steel; paint_to_keep moving; 480 pits 2
        electrolysis: rust; plated_steel aluminium electronics moving; steel; paint_to_keep; 30 pits 3
        rust_converter: rust; plated_steel electronics moving; steel; paint_to_keep; 60 surface 2
        contact_cleaner: corroded_contact; ; ; label_to_keep rubber polystyrene; 10 surface 1
        fibre_pen: corroded_contact rust; gold_contact moving rubber abs polystyrene; ; electronics; 15 surface 2
        alcohol_swab: corroded_contact grease_old dirt; polystyrene; ; label_to_keep rubber; 10 surface 1
        soap_wash: dirt; electronics moving; ; label_to_keep board; 30 surface 1
        cream_cleaner: dirt; electronics moving board gold_contact; ; label_to_keep paint_to_keep; 30 surface 2
        melamine_sponge: dirt; electronics gold_contact board; ; paint_to_keep label_to_keep; 15 surface 2
        vapour_brightening: yellowing; electronics moving; abs polystyrene; label_to_keep paint_to_keep; 4320 surface 3
        sun_alone: yellowing; electronics moving; abs polystyrene; label_to_keep; 14400 surface 2
        degrease_relube: grease_old; magnetic_media_near rubber polystyrene; ; electronics abs; 40 mechanism 2
        scrape_replace_foam: foam_rot; ; ; electronics polystyrene; 60 surface 1
        solvent_weld: broken_plastic; electronics; abs polystyrene; paint_to_keep; 120 structure 3
        glue_and_powder: broken_plastic; ; abs polystyrene; electronics moving; 30 structure 2
        mould_and_filler: broken_plastic; electronics; abs polystyrene; paint_to_keep; 1440 structure 2
        TEXT;

    public function test_every_means_for_every_part(): void
    {
        $table = [];
        foreach (explode("\n", self::MEANS) as $line) {
            [$id, $rest] = explode(':', trim($line));
            $table[$id] = array_map(
                static fn (string $it): array => array_values(array_filter(explode(' ', trim($it)), static fn (string $word): bool => $word !== '')),
                explode(';', $rest),
            );
        }
        $rank = ['fits' => 0, 'with_care' => 1, 'no' => 2];
        $flags = array_column(PartFlag::cases(), 'value');
        foreach (array_column(Damage::cases(), 'value') as $damage) {
            foreach (array_column(Material::cases(), 'value') as $material) {
                for ($set = 0; $set < 1 << count($flags); $set += $set === 0 ? 1 : 3) {
                    $has = array_values(array_filter($flags, static fn (string $_, int $i): bool => ($set >> $i & 1) === 1, ARRAY_FILTER_USE_BOTH));
                    $have = $set % 2 === 1 ? ['alcohol_swab', 'electrolysis', 'sun_alone'] : null;
                    $found = self::ask(
                        'choose',
                        ['damage' => $damage, 'part' => ['material' => $material] + array_fill_keys($has, true), ...($have === null ? [] : ['have' => $have])],
                    );
                    $expected = [];
                    foreach ($table as $id => [$for, $not, $only, $care, $more]) {
                        if (in_array($damage, $for, true)) {
                            $verdict = array_intersect($not, [$material, ...$has]) !== [] || ($only !== [] && !in_array($material, $only, true))
                                ? 'no'
                                : (array_intersect($care, [$material, ...$has]) !== [] ? 'with_care' : 'fits');
                            $expected[] = [
                                $rank[$verdict], $have === null || in_array($id, $have, true) ? 0 : 1, (int) $more[2], (int) $more[0],
                                array_search($id, array_keys($table), true), $id, $verdict, $more[1],
                            ];
                        }
                    }
                    sort($expected);
                    self::assertSame(
                        array_map(static fn (array $it): array => [$it[5], $it[6], $it[3], $it[7], $it[2]], $expected),
                        array_map(
                            static fn (array $it): array => [$it['id'], $it['verdict'], $it['minutes'], $it['reach'], $it['risk']],
                            (array) $found['choices'],
                        ),
                    );
                    self::assertSame($expected[0][6] === 'no', $found['steps'] === []);
                }
            }
        }
    }

    /** Minutes of each step as they were agreed on, with ~ for what runs alone: choices of ours within the handbook's totals. */
    public function test_the_minutes_of_the_steps_are_those_that_were_agreed_on(): void
    {
        $agreed = [
            'brush_oil' => '2 12 3 3', 'vinegar_soak' => '10 5 ~225 10 ~210 8 4 8', 'electrolysis' => '4 3 3 1 ~14 1 8', 'rust_converter' => '10 5 ~35 6 5',
            'contact_cleaner' => '2 1 2 ~5', 'fibre_pen' => '2 8 2 3', 'alcohol_swab' => '1 6 ~3', 'soap_wash' => '5 10 4 3 ~8', 'cream_cleaner' => '5 15 7 3',
            'melamine_sponge' => '3 9 3', 'vapour_brightening' => '40 20 10 ~1400 15 ~1420 15 ~1360 40', 'sun_alone' => '40 ~7150 10 ~7150 20',
            'degrease_relube' => '5 18 ~5 7 5', 'scrape_replace_foam' => '20 15 ~10 15', 'solvent_weld' => '10 5 10 ~90 10', 'glue_and_powder' => '6 12 ~5 7',
            'mould_and_filler' => '30 15 20 ~1300 60',
        ];
        $are = [];
        foreach (MeansTable::all() as $it) {
            $are[$it->id] = implode(' ', array_map(static fn (TreatmentStep $step): string => ($step->hands ? '' : '~').$step->minutes, $it->steps));
        }
        self::assertSame($agreed, $are);
    }

    public function test_every_means_has_steps_that_add_up(): void
    {
        foreach (MeansTable::all() as $means) {
            self::assertContains(count($means->steps), range(3, 9), $means->id);
            $sum = array_sum(array_map(static fn ($it): float => $it->minutes, $means->steps));
            if ($means->minutes >= 60) {
                self::assertGreaterThanOrEqual($means->minutes / 2, $sum, $means->id);
                self::assertLessThanOrEqual($means->minutes * 2, $sum, $means->id);
            }
            $cautions = array_filter($means->steps, static fn ($it): bool => $it->caution !== null);
            $means->risk === 3 && self::assertNotSame([], $cautions, $means->id);
        }
    }

    /** @return array<string, array{string, string, array<string, mixed>}> */
    public static function refused(): array
    {
        $dilute = ['substance' => 'citric_acid', 'stock_pct' => 50, 'want_pct' => 10, 'total_g' => 100];
        $bath = ['part' => ['metal' => 'steel'], 'anode' => 'carbon', 'electrolyte' => 'none', 'volts' => 12, 'amps' => 5, 'minutes' => 10, 'bath_l' => 10];
        $grey = ['r' => 100, 'g' => 100, 'b' => 100];

        return [
            'stronger than the stock' => ['dilute', '/want_pct', ['want_pct' => 51] + $dilute],
            'above pure' => ['dilute', '/stock_pct', ['stock_pct' => 101] + $dilute],
            'both amounts' => ['dilute', '/stock_g', ['stock_g' => 1] + $dilute], 'no amount' => ['dilute', '/total_g', array_slice($dilute, 0, 3)],
            'water itself' => ['dilute', '/substance', ['substance' => 'water'] + $dilute], 'nothing' => ['dilute', '/total_g', ['total_g' => 0] + $dilute],
            'no current' => ['electrolysis', '/amps', ['amps' => 0] + $bath], 'too warm to begin' => ['electrolysis', '/start_c', ['start_c' => 61] + $bath],
            'air below nothing' => ['electrolysis', '/ventilation_m3_h', ['ventilation_m3_h' => -1] + $bath],
            'a metal that is none' => ['electrolysis', '/part/metal', ['part' => ['metal' => 'wood']] + $bath],
            'nothing present' => ['mix', '/present', ['present' => []]], 'twice' => ['mix', '/present/1', ['present' => ['water', 'water']]],
            'unknown' => ['mix', '/present/0', ['present' => ['petrol']]],
            'two sorts of colour' => ['colour', '/before/r', ['before' => ['l' => 1, 'a' => 1, 'b' => 1, 'r' => 1]]],
            'lab beside a card' => ['colour', '/before', ['before' => ['l' => 1, 'a' => 1, 'b' => 1], 'grey' => $grey]],
            'a black card' => ['colour', '/grey/g', ['before' => $grey, 'grey' => ['g' => 0] + $grey]],
            'a card in lab' => ['colour', '/grey/l', ['before' => $grey, 'grey' => ['l' => 50, 'a' => 0, 'b' => 0]]],
            'too light' => ['colour', '/before/l', ['before' => ['l' => 102, 'a' => 0, 'b' => 0]]],
            'beyond a byte' => ['colour', '/after/r', ['before' => $grey, 'after' => ['r' => 256] + $grey]],
            'no tolerance' => ['colour', '/tolerance', ['before' => $grey, 'tolerance' => 0]],
            'no such means' => ['choose', '/have/0', ['damage' => 'rust', 'part' => ['material' => 'steel'], 'have' => ['hammer']]],
            'a means twice' => ['choose', '/have/1', ['damage' => 'rust', 'part' => ['material' => 'steel'], 'have' => ['brush_oil', 'brush_oil']]],
            'no such damage' => ['choose', '/damage', ['damage' => 'bent', 'part' => ['material' => 'steel']]],
        ];
    }

    /** @param array<string, mixed> $document */
    #[DataProvider('refused')]
    public function test_what_makes_no_sense_is_refused_at_its_field(string $verb, string $pointer, array $document): void
    {
        self::assertRefusedAt($pointer, new TreatmentsRoom(), $verb, $document);
    }
}
