<?php

declare(strict_types=1);

namespace Ash\Tests;

use Ash\Corrosion\Continuity;
use Ash\Document\Node;
use Ash\Logbook\OpenKind;
use Ash\Memory\Comparison;
use Ash\Memory\Condition;
use Ash\Memory\Map;
use Ash\Memory\RowsOfChips;
use Ash\Memory\Seen;
use Ash\Memory\Warmth;
use Ash\Rails\JudgedReading;
use Ash\Rails\Load;
use Ash\Rails\LostAlong;
use Ash\Rails\MeterAccuracy;
use Ash\Rails\Path;
use Ash\Rails\PointState;
use Ash\Rails\Rail;
use Ash\Rails\RailsSection;
use Ash\Rails\RailStrip;
use Ash\Rails\Reading;
use Ash\Rails\RunPlan;
use Ash\Rails\TestPoint;
use Ash\Rooms;
use PHPUnit\Framework\TestCase;

/** What the rooms bring, listed by hand; and the ends of scales and walks. Figures are worked by hand. */
final class ListsTest extends TestCase
{
    public function test_kinds_of_entries_and_the_line_of_attack_they_work_on(): void
    {
        $lines = [
            'batteries' => 'battery clock clock_read',
            'capacitors' => 'capacitor cap_reading rework',
            'corrosion' => 'survey continuity',
            'memory' => 'memory swap soak date_codes',
            'rails' => 'reading',
        ];
        $of = [];
        foreach (Rooms::hall()->kinds->all as $kind) {
            $of[$kind->attack ?? ''][] = $kind->name;
        }
        unset($of['']);
        ksort($of);
        self::assertSame($lines, array_map(static fn (array $names): string => implode(' ', $names), $of));
    }

    public function test_what_stays_open_and_how_it_ends(): void
    {
        $open = array_map(
            static fn (OpenKind $it): string => trim(implode(' ', [$it->urgent ? 'urgent' : '', $it->words, $it->endedBy, $it->field, $it->endWords])),
            Rooms::hall()->openKinds,
        );
        ksort($open);
        self::assertSame([
            'clock' => 'Running', 'hazard' => 'urgent Temporary fix undone hazard Undone', 'recheck' => 'Look again', 'repair' => 'urgent To repair',
            'waiting' => 'Waiting for arrived waiting Arrived',
        ], array_map(static fn (string $it): string => preg_replace('/ +/', ' ', $it) ?? '', $open));
    }

    public function test_a_trace_s_strip(): void
    {
        $strip = Continuity::strip(0.0, null, null);
        self::assertSame([0.0, 0.0, 0.0, 0.0, false], [$strip->low, $strip->guard, $strip->nominal, $strip->tick, $strip->beyond]);
        self::assertSame([null, 1.0, true], [Continuity::strip(null, 1.0, null)->tick, ($it = Continuity::strip(INF, 1.0, null))->tick, $it->beyond]);
    }

    public function test_a_rail_s_strip_at_its_ends(): void
    {
        // 4.75 to 5.25 V is the middle 60 %: the ends are at 4.75 - 0.5/3 and 5.25 + 0.5/3.
        $rail = Rail::readAll(House::node([['name' => '+5', 'nominal_v' => 5, 'tolerance' => ['minus_pct' => 5, 'plus_pct' => 5]]]))["\0+5"] ?? self::fail();
        foreach ([[4.75, 0.2, false], [5.0, 0.5, false], [5.25, 0.8, false], [4.0, 0.0, true], [6.0, 1.0, true], [4.6, 0.02, false]] as [$volts, $tick, $beyond]) {
            $strip = RailStrip::of($rail, $volts, 0.05, $volts);
            self::assertEqualsWithDelta([$tick, $tick, 0.06], [$strip->tick, $strip->ghost, $strip->guard], 1e-9);
            self::assertSame($beyond, $strip->beyond);
        }
        self::assertEqualsWithDelta(0.3, RailStrip::of($rail, 5.0, 9.0, null)->guard, 1e-9, 'no more than half the band');
        self::assertSame([0.0, null], [($it = RailStrip::of($rail, null, null, null))->guard, $it->tick]);
    }

    public function test_two_runs_side_by_side(): void
    {
        $map = Map::read(House::node(json_decode(json_encode(RowsOfChips::map(House::node([
            'radix' => 16, 'word_bits' => 4, 'rows' => [['name' => 'A', 'start' => '0', 'words' => 16384, 'first' => 'U1', 'bit_0' => 'first']],
        ])), JSON_THROW_ON_ERROR), true)));
        $run = static fn (int ...$bits): Seen => Seen::kept($map, [$map->banks[0]->name => $bits]);
        $both = Comparison::of($map, $run(1, 0, 1, 0), $run(0, 1, 1, 0), new Condition(Warmth::Cold), new Condition(Warmth::Warm));
        self::assertSame(['gone', 'new', 'both'], array_column($both['rows'], 'change'));
        self::assertSame([[1, 0], [0, 1], [1, 1]], array_map(static fn (array $it): array => [$it['one'], $it['other']], $both['rows']));
    }

    public function test_where_a_rail_is_lost_along_its_points(): void
    {
        $document = House::node(['name' => '+5', 'nominal_v' => 5, 'test_points' => [
            ['name' => 'a', 'point' => 'supply'], ['name' => 'b', 'weight' => 9], ['name' => 'c'], ['name' => 'd'], ['name' => 'e', 'point' => 'chip'],
        ]]);
        $points = TestPoint::readAll($document);
        $rail = Rail::readAll(Node::of([(object) ['name' => '+5', 'nominal_v' => 5]]))["\0+5"] ?? self::fail();
        $at = static fn (float ...$volts): array => array_map(
            static fn (float $v): JudgedReading => JudgedReading::judge($rail, new Reading('+5', $v, Load::from('none')), MeterAccuracy::of(0.1, 1, 0.001)),
            $volts,
        );
        $lost = LostAlong::of($points, $at(a: 5.0, e: 0.0));
        // Of the weights 9, 1, 1, 1 behind a the first half ends at b.
        self::assertSame(['b', ['a', 'e']], [$lost?->walk->nextPoint, $lost?->walk->faultBetween]);
        self::assertSame(['good', 'next', 'unknown', 'unknown', 'dead'], array_map(static fn (PointState $it): string => $it->value, array_values($lost->points)));
        self::assertSame(['c', 'd', null], [
            LostAlong::of($points, $at(a: 5.0, b: 5.0, e: 0.0))?->walk->nextPoint,
            LostAlong::of($points, $at(a: 5.0, c: 5.0, e: 0.0))?->walk->nextPoint,
            LostAlong::of($points, $at(a: 5.0, d: 5.0, e: 0.0))?->walk->nextPoint,
        ]);
        self::assertNull(LostAlong::of($points, $at(a: 5.0, e: 4.9)), 'nothing is lost');
        self::assertNull(LostAlong::of($points, $at(a: 0.0, e: 0.0)), 'there was none');
        self::assertNull(LostAlong::of([$points[0]], $at(a: 0.0)));
        self::assertSame('b', Path::along(['a', 'b', 'c', 'd'], [1, 9, 1, 1])->walk([])->nextPoint);
        self::assertSame('c', Path::along(['a', 'b', 'c', 'd', 'e'])->walk([])->nextPoint);

        $plan = RunPlan::of(["\0+5" => $rail], ["\0+5" => $points]);
        self::assertSame(['+5', 'a', 'next in order'], array_values($plan->live([], []) ?? []));
        self::assertNull($plan->live(["+5\0a"], []));
        self::assertSame(['+5', 'b', 'b splits what is left most evenly'], array_values($plan->live([], ["\0+5" => $lost->walk]) ?? []));
    }

    public function test_a_supply_can_be_described_without_rails(): void
    {
        $read = static fn (array $supply): ?object => (new RailsSection())->read(
            Node::parse(json_encode(['rails' => [], ...$supply], JSON_THROW_ON_ERROR)),
            House::profile(),
        );
        self::assertNull($read([]));
        self::assertNotNull($read(['supply' => ['rating_w' => 60, 'rails' => [['name' => '+5', 'nominal_v' => 5, 'max_a' => 8]]]]));
    }
}
