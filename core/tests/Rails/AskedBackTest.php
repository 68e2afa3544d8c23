<?php

declare(strict_types=1);

namespace Ash\Tests\Rails;

use Ash\Document\Node;
use Ash\Rails\AskedBack;
use Ash\Rails\JudgedReading;
use Ash\Rails\Load;
use Ash\Rails\MeterAccuracy;
use Ash\Rails\Rail;
use Ash\Rails\Reading;
use Ash\Rails\RunPlan;
use Ash\Rails\ShortWalk;
use Ash\Rails\TestPoint;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** What is asked back before it is kept, and resistance with the power off. All of it common practice, no source. */
final class AskedBackTest extends TestCase
{
    /** @return array<string, Rail> */
    private static function rails(): array
    {
        return Rail::readAll(Node::parse('[
            {"name": "+5", "nominal_v": 5, "ripple_max_mvpp": 50}, {"name": "+12", "nominal_v": 12},
            {"name": "-12", "nominal_v": -12}, {"name": "12 AC", "nominal_v": 12, "kind": "ac"}
        ]'));
    }

    /** @return array<string, array{string, float, ?float, ?string}> */
    public static function readings(): array
    {
        return [
            'a good one' => ['+5', 5.02, 20.0, null],
            'millivolts for volts' => ['+5', 5020.0, null, '5.02 V on +5? 5020 was said'],
            'volts for millivolts of ripple' => ['+5', 5.02, 0.03, '30 mVpp on +5? 0.03 was said'],
            'another rail' => ['+5', 12.1, null, 'was this +12? 12.1 V lies outside 4.75 V to 5.25 V'],
            'the other way' => ['+12', 5.1, null, 'was this +5? 5.1 V lies outside 11.4 V to 12.6 V'],
            'nobody has it' => ['+5', 9.0, null, null],
            'within the guard of the limit' => ['+12', 11.39, null, null],
            'an AC rail is no DC rail' => ['12 AC', 5.0, null, null],
            'the wrong way round' => ['+12', -12.0, null, 'was this -12? -12 V lies outside 11.4 V to 12.6 V'],
        ];
    }

    #[DataProvider('readings')]
    public function test_a_slip_and_another_rails_figure_are_asked_back(string $rail, float $volts, ?float $ripple, ?string $question): void
    {
        $rails = self::rails();
        $judged = JudgedReading::judge(
            $rails["\0{$rail}"],
            new Reading($rail, $volts, Load::Working, rippleMvpp: $ripple),
            MeterAccuracy::of(0.5, 2, 0.01),
        );
        self::assertSame($question, AskedBack::about($judged, $rails)?->question);
    }

    public function test_a_short_is_nearest_where_it_reads_lowest(): void
    {
        $points = ['supply', 'C12', 'C30', 'U9'];
        self::assertNull(ShortWalk::of('+5', $points, []));
        self::assertNull(ShortWalk::of('+5', $points, ['supply' => 2.0]), '2 ohms is no short');
        $first = ShortWalk::of('+5', $points, ['supply' => 1.9]);
        self::assertSame(['C12', 'C30', 'U9'], $first?->left);
        self::assertStringContainsString('walk along it in milliohms', $first->says);
        $walk = ShortWalk::of('+5', $points, ['supply' => 0.12, 'C12' => 0.06, 'C30' => 0.0615]);
        self::assertSame([['U9'], ['C12', 'C30']], [$walk?->left, $walk?->nearest]);
        self::assertSame('+5 is lowest at C12 and C30, 60 mΩ: the short is nearest there', $walk->says);
        self::assertSame(['C30'], ShortWalk::of('+5', $points, ['supply' => 0.12, 'C12' => 0.063, 'C30' => 0.06])?->nearest);
    }

    public function test_a_resistance_run_reads_each_rail_once_and_walks_along_a_shorted_one(): void
    {
        $rails = self::rails();
        $points = array_map(
            static fn (Rail $rail): array => TestPoint::readAll(Node::parse(
                '{"name": "x", "nominal_v": 1, "test_points": [{"name": "a", "point": "supply"}, {"name": "b"}]}',
            )),
            $rails,
        );
        $plan = RunPlan::of($rails, $points);
        $next = static fn (array $ohms): string => implode(' ', array_slice(array_values($plan->resistance($ohms) ?? []), 0, 2));
        self::assertSame('+5 a', $next([]));
        self::assertSame('+12 a', $next(["\0+5" => ['a' => 90.0]]));
        self::assertSame('+5 b', $next(["\0+5" => ['a' => 0.4]]), 'along the shorted rail first');
        self::assertSame('+12 a', $next(["\0+5" => ['a' => 0.4, 'b' => 0.3]]));
        $all = array_map(static fn (): array => ['a' => 90.0], $rails);
        self::assertNull($plan->resistance($all));
        self::assertSame([], $plan->shorts($all));
        self::assertSame(['+5'], array_keys($plan->shorts(["\0+5" => ['a' => 0.4]])));
    }

    /** @return array<string, array{float, ?float, string}> */
    public static function resistances(): array
    {
        return [
            'a short' => [1.99, null, 'out'],
            'suspicious' => [10.0, null, 'out_close'],
            'not shorted' => [10.1, null, 'in'],
            'far below a good one' => [29.0, 100.0, 'out_close'],
            'like a good one' => [30.0, 100.0, 'in'],
            'a good one is low' => [8.0, 9.0, 'in'],
        ];
    }

    #[DataProvider('resistances')]
    public function test_resistance_to_ground_has_a_verdict(float $ohms, ?float $good, string $verdict): void
    {
        $rail = Rail::read(Node::of((object) ['name' => '+5', 'nominal_v' => 5, ...($good === null ? [] : ['ohms_good' => $good])]));
        $judged = JudgedReading::judge($rail, new Reading('+5', null, Load::None, ohmsToGround: $ohms + 0.2, leadOhm: 0.2), MeterAccuracy::of(0, 0, 0));
        self::assertSame($verdict, $judged->resistance()?->value);
    }
}
