<?php

declare(strict_types=1);

namespace Ash\Tests;

use Ash\Corrosion\Continuity;
use Ash\Document\InvalidDocument;
use Ash\Document\Node;
use Ash\Document\Shape;
use Ash\Facts\CapacitorKind;
use Ash\Logbook\EntryDraft;
use Ash\Logbook\OpenKind;
use Ash\Memory\Comparison;
use Ash\Memory\Condition;
use Ash\Memory\LocatedSuspect;
use Ash\Memory\Map;
use Ash\Memory\RowsOfChips;
use Ash\Memory\Seen;
use Ash\Memory\SuspectKind;
use Ash\Memory\Warmth;
use Ash\Quantity\Notation;
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
use Ash\Shelf\Shopping;
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
            'isolation' => 'test_done cause_found condition_counted swap_run',
            'memory' => 'memory swap soak date_codes',
            'rails' => 'reading',
            'setup' => 'setting chain cable reported drive drive_try disk_copied drive_damages drive_proven source_wrong',
            'treatments' => 'treatment treatment_step colour treatment_done',
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
            'clock' => 'Running', 'damages' => 'urgent Drive that damages disks', 'hazard' => 'urgent Temporary fix undone hazard Undone',
            'promised' => 'Promised back', 'recheck' => 'Look again', 'repair' => 'urgent To repair',
            'step' => 'Running treatment_done begun Done', 'waiting' => 'Waiting for arrived waiting Arrived',
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
        foreach ([[4.75, 0.2, false], [5.0, 0.5, false], [5.25, 0.8, false], [4.0, 0.0, true], [6.0, 1.0, true]] as [$volts, $tick, $beyond]) {
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
        $states = array_map(static fn (PointState $it): string => $it->value, array_values($lost->points));
        self::assertSame(['good', 'next', 'unknown', 'unknown', 'dead'], $states);
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

    public function test_the_published_description_says_of_entries_what_their_readers_take(): void
    {
        $published = json_decode((string) file_get_contents(__DIR__.'/../../docs/openapi.json'), true, 64, JSON_THROW_ON_ERROR)['components']['schemas'];
        $kinds = Rooms::hall()->kinds;
        foreach ($kinds->all as $kind) {
            $schema = $published['Data'.strtr(ucwords($kind->name, '_'), ['_' => ''])];
            unset($schema['description']);
            self::assertEquals($schema, json_decode(json_encode(Shape::of($kind->data)->schema(), JSON_THROW_ON_ERROR), true), $kind->name);
        }
        $body = json_decode(json_encode(EntryDraft::schema($kinds, []), JSON_THROW_ON_ERROR), true);
        unset($body['properties']['data'], $published['EntryBody']['properties']['data']);
        self::assertEquals($published['EntryBody'], $body);
        $given = ['id' => '01JK8E3CT09KHR96A3PYK2KXS1', 'at' => '2026-03-01T09:00:00Z', 'line' => 'note x'];
        foreach (['kind' => 'observation', 'data' => new \stdClass(), 'text' => 'x'] as $field => $value) {
            try {
                EntryDraft::read(Node::of((object) [...$given, $field => $value]), $kinds, Rooms::hall()->lines);
                self::fail($field);
            } catch (InvalidDocument $fault) {
                self::assertSame("/{$field}", $fault->pointer);
            }
        }
    }

    public function test_what_can_be_exchanged_and_what_is_marked(): void
    {
        $of = static fn (string $kind): LocatedSuspect => new LocatedSuspect(
            rank: 1, kind: SuspectKind::from($kind), ref: 'U1', refs: ['U1', 'U2'], bank: 'A', bits: [0], addressBits: [], explains: 1,
            probability: 1, text: '', action: '',
        );
        $kinds = [
            'chip' => [true, 2], 'chip_part' => [true, 2], 'several_chips' => [false, 2], 'data_line' => [false, 0], 'address_line' => [false, 0],
            'bank' => [false, 0], 'everything' => [false, 0], 'data_bridge' => [false, 0], 'address_bridge' => [false, 0], 'drive_line' => [false, 0],
        ];
        self::assertCount(count($kinds), SuspectKind::cases());
        foreach ($kinds as $kind => [$one, $marked]) {
            self::assertSame([$one, $marked], [$of($kind)->isOneChip(), count($of($kind)->onChips())], $kind);
        }
    }

    public function test_rows_of_chips_end_where_they_end(): void
    {
        $row = static fn (array $more, array $row = []): array => RowsOfChips::map(House::node([
            'word_bits' => 8, ...$more, 'rows' => [['name' => 'A', 'start' => '0', 'first' => 'IC09B', 'bit_0' => 'last', ...$row]],
        ]))['banks'][0];
        // By the sheets: 4116 is 16384 x 1 in 128 rows, 4464 is 65536 x 4; static chips have no rows to refresh.
        foreach ([[['chip' => '4116'], [], 16384, 8, 7], [['chip' => '4464'], [], 65536, 2, 8], [['chip' => '2114'], [], 1024, 2, null],
            [[], ['words' => 1], 1, 8, null], [[], ['words' => 4], 4, 8, 1], [[], ['words' => 8], 8, 8, null],
            [['chip' => '4464', 'word_bits' => 9], [], 65536, 3, 8],
            [['word_bits' => 1], ['words' => 16], 16, 1, 2],
        ] as [$more, $its, $words, $chips, $rows]) {
            $bank = $row($more, $its);
            self::assertSame([$words, $chips, $rows, $rows], [$bank['words'], count($bank['chips']), $bank['row_bits'] ?? null, $bank['column_bits'] ?? null]);
        }
        $chips = $row(['chip' => '4116'])['chips'];
        self::assertSame(['IC16B' => [0], 'IC09B' => [7]], array_column([$chips[0], $chips[7]], 'bits', 'ref'));
        self::assertSame(['ref' => 'IC17B'], $row(['chip' => '4116'], ['parity' => true])['parity']);
        self::assertSame([8], $row(['chip' => '4464', 'word_bits' => 9])['chips'][2]['bits']);
    }

    public function test_two_runs_under_the_same_condition(): void
    {
        $map = Map::read(House::node(json_decode(json_encode(RowsOfChips::map(House::node([
            'word_bits' => 4, 'rows' => [['name' => 'A', 'start' => '0', 'words' => 16, 'first' => 'U1', 'bit_0' => 'first']],
        ])), JSON_THROW_ON_ERROR), true)));
        $says = static fn (array $one, array $other, Condition $a, Condition $b): array => Comparison::of(
            $map,
            Seen::kept($map, ['A' => $one]),
            Seen::kept($map, ['A' => $other]),
            $a,
            $b,
        )['says'];
        [$cold, $warm] = [new Condition(Warmth::Cold), new Condition(Warmth::Warm)];
        self::assertSame(['Neither run shows an error.'], $says([], [], $cold, $warm));
        self::assertSame(['In both: U1.'], $says([1], [5], $cold, $warm));
        self::assertSame(['In both: U1.'], $says([1], [5], $cold, $cold));
        self::assertSame('Only in the first: U1.', $says([1], [], $cold, $cold)[0]);
        self::assertStringStartsWith('Both ran under the same condition', $says([1], [], $cold, $cold)[1]);
        self::assertStringStartsWith('Both ran under the same condition', $says([], [1], $cold, $cold)[1]);
        self::assertSame(['Only in the second (warm): U1.', 2], [($it = $says([], [1], $cold, $warm))[0], count($it)]);
        self::assertStringStartsWith('Errors that come only in one condition', $says([1], [], $cold, $warm)[1]);
    }

    public function test_figures_as_they_are_printed(): void
    {
        foreach (['0' => 0.0, '0.0001235' => 0.00012346, '12346' => 12346, '1' => 0.99999, '-2.5' => -2.5, '1000' => 999.96, '0.1' => 0.1] as $text => $value) {
            self::assertSame((string) $text, Notation::plain((float) $value));
        }
    }

    public function test_numbers_of_spares(): void
    {
        // A tenth more than is wanted, at least one (common practice, no source).
        foreach ([1 => 1, 9 => 1, 10 => 1, 11 => 2, 20 => 2, 21 => 3, 30 => 3] as $wanted => $spares) {
            $want = ['job' => 'J', 'kind' => CapacitorKind::Aluminium, 'marked_f' => 1e-5, 'rated_v' => 25.0];
            $rows = Shopping::list(array_map(static fn (int $i): array => [...$want, 'key' => "C{$i}"], range(1, $wanted)), []);
            self::assertSame([$wanted, $spares], [$rows[0]['wanted'], $rows[0]['spares']]);
        }
    }
}
