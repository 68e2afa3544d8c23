<?php

declare(strict_types=1);

namespace Ash\Tests\Corrosion;

use Ash\Batteries\BatteryNote;
use Ash\Batteries\Chemistry;
use Ash\Corrosion\Carries;
use Ash\Corrosion\CleaningPlan;
use Ash\Corrosion\ForbidsWater;
use Ash\Corrosion\Holds;
use Ash\Corrosion\Leak;
use Ash\Corrosion\SurveyPlace;
use Ash\Document\InvalidDocument;
use Ash\Facts\Clash;
use Ash\Facts\NeverMix;
use Ash\Facts\Substance;
use Ash\Tests\House;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Leaks, the cleaning plan, and what is written down of a battery. */
final class LeakTest extends TestCase
{
    private static function place(string $place, int $grade, string $carries, ?float $distance = null): SurveyPlace
    {
        return new SurveyPlace($place, Holds::Trace, $grade, $distance, Carries::from($carries));
    }

    public function test_places_are_ordered_by_grade_then_by_what_a_failure_there_would_do_then_by_distance(): void
    {
        $ordered = SurveyPlace::ordered([
            self::place('a', 2, 'signal', 5),
            self::place('b', 3, 'nothing'),
            self::place('c', 2, 'supply', 30),
            self::place('d', 2, 'supply', 10),
            self::place('e', 4, 'signal'),
        ]);
        self::assertSame(['e', 'b', 'd', 'c', 'a'], array_column($ordered, 'place'));
    }

    public function test_the_plan_stands_in_the_order_of_the_work(): void
    {
        $plan = CleaningPlan::for(
            Chemistry::NiCd,
            [
                self::place('trace to U12', 4, 'clock'),
                self::place('socket U9', 3, 'memory'),
                self::place('bracket', 1, 'nothing'),
                self::place('edge', 0, 'signal'),
            ],
            [ForbidsWater::Relays],
        );
        self::assertSame(['neutralise', 'rinse', 'clean', 'dry', 'test', 'test', 'repair', 'repair'], array_column($plan->steps, 'step'));
        self::assertStringContainsString('trace to U12', $plan->steps[4]['text'], 'worst first');
        self::assertStringContainsString('vinegar of 5 %', $plan->steps[0]['text']);
        self::assertFalse($plan->wholeBoard);
        self::assertStringContainsString('not alcohol alone', $plan->school);
        self::assertStringContainsString('relays', $plan->school);
        $spread = static fn (?array $onBoard): CleaningPlan => CleaningPlan::for(
            Chemistry::Alkaline,
            array_fill(0, 4, self::place('x', 2, 'signal')),
            $onBoard,
        );
        self::assertTrue($spread([])->wholeBoard);
        self::assertFalse($spread(null)->wholeBoard, 'nobody has said what is on the board');
        self::assertStringContainsString('Say what is on the board', $spread(null)->school);
    }

    /**
     * Which agent neutralises what a leak left: bases by a weak acid, acids by a weak base. General chemistry: potassium hydroxide
     * is a strong base, sulphuric acid a strong acid (any textbook on acids and bases; from memory).
     *
     * @return list<array{Chemistry, ?string}>
     */
    public static function agents(): array
    {
        return [
            [Chemistry::NiCd, 'vinegar'],
            [Chemistry::NiMh, 'vinegar'],
            [Chemistry::Alkaline, 'vinegar'],
            [Chemistry::LeadAcid, 'bicarbonate'],
            [Chemistry::LithiumManganese, null],
            [Chemistry::LithiumThionyl, null],
        ];
    }

    #[DataProvider('agents')]
    public function test_each_chemistry_has_its_agent(Chemistry $chemistry, ?string $agent): void
    {
        $leak = Leak::of($chemistry);
        $agent === null ? self::assertNull($leak['neutralise']) : self::assertStringContainsString($agent, (string) $leak['neutralise']);
    }

    public function test_lithium_thionyl_never_meets_water(): void
    {
        $plan = CleaningPlan::for(Chemistry::LithiumThionyl, [self::place('x', 2, 'signal')], []);
        self::assertSame(['clean', 'test'], array_column($plan->steps, 'step'));
        self::assertStringContainsString('No water', (string) $plan->steps[0]['caution']);
    }

    public function test_what_must_never_be_mixed_is_refused_in_one_plan(): void
    {
        foreach ([Substance::ChlorineBleach, Substance::HydrogenPeroxide] as $also) {
            try {
                CleaningPlan::for(Chemistry::NiCd, [], [], [$also]);
                self::fail("{$also->value} was taken beside vinegar");
            } catch (InvalidDocument $fault) {
                self::assertSame('/also', $fault->pointer);
                self::assertStringContainsString($also->words(), $fault->detail);
            }
        }
        $plan = CleaningPlan::for(Chemistry::LeadAcid, [], null, [Substance::HydrogenPeroxide, 'blue stuff']);
        self::assertSame([
            'Sodium bicarbonate and hydrogen peroxide: oxygen, bursting, in a closed vessel: keep the vessel open',
            'Isopropyl alcohol and hydrogen peroxide: oxygen and heat over a solvent, in a closed vessel: keep the vessel open',
            'blue stuff: not judged: read its safety data sheet',
        ], $plan->told);
    }

    /** The table of what must never be mixed, from safety data sheets (from memory): number of pairs, and both orders of each. */
    public function test_every_pair_clashes_in_both_orders(): void
    {
        $all = Substance::cases();
        $pairs = NeverMix::clashes($all);
        self::assertCount(39, $pairs);
        self::assertCount(16, array_filter($pairs, static fn (Clash $it): bool => !$it->onlyClosed));
        foreach ($pairs as $pair) {
            $turned = NeverMix::clashes([$pair->b, $pair->a]);
            self::assertSame([[$pair->b, $pair->a, $pair->makes]], [[$turned[0]->a, $turned[0]->b, $turned[0]->makes]]);
        }
        self::assertSame(
            [],
            NeverMix::clashes([Substance::Water, Substance::Detergent, Substance::LightOil, Substance::IsopropylAlcohol, Substance::AceticAcid]),
        );
    }

    /** @return array<string, array{string, string}> JSON, pointer */
    public static function refused(): array
    {
        return [
            'a polarity left unsaid' => ['{"state": "fitted", "option": "lithium-coin-1"}', '/positive_towards'],
            'a fitted one without what it is' => ['{"state": "fitted", "positive_towards": "plug"}', '/option'],
            'a found one with an option' => ['{"state": "sound", "option": "lithium-coin-1"}', '/option'],
            'an unknown chemistry' => ['{"state": "sound", "chemistry": "zinc"}', '/chemistry'],
            'volts that cannot be judged' => ['{"state": "sound", "volts": 3.8}', '/volts'],
            'volts that no such pack has' => ['{"state": "sound", "chemistry": "nicd", "cells": 1, "volts": "3,8"}', '/volts'],
            'volts of words' => ['{"state": "sound", "chemistry": "nicd", "cells": 3, "volts": "some"}', '/volts'],
        ];
    }

    #[DataProvider('refused')]
    public function test_a_battery_note_is_read_strictly(string $json, string $pointer): void
    {
        try {
            House::entry('battery', (array) json_decode($json, true));
            self::fail('was taken');
        } catch (InvalidDocument $fault) {
            self::assertSame($pointer, $fault->pointer);
        }
    }

    public function test_a_battery_in_words(): void
    {
        $note = House::entry(
            'battery',
            (array) json_decode(
                '{"state": "leaking", "chemistry": "nicd", "cells": 3, "where": "left of the keyboard plug", "positive_towards": "the plug", "volts": "3.8"}',
            ),
        );
        self::assertSame(
            'Battery leaking: nickel-cadmium, 3 cells, left of the keyboard plug, positive end towards the plug, 3.8 V (charged)',
            $note->sentence(''),
        );
        self::assertTrue(BatteryNote::agrees('the  Plug ', 'the plug'));
        self::assertFalse(BatteryNote::agrees('the plug', 'the edge'));
    }
}
