<?php

declare(strict_types=1);

namespace Ash\Tests\Isolation;

use Ash\Document\InvalidDocument;
use Ash\Document\Node;
use Ash\Facts\Answered;
use Ash\Isolation\CauseSeen;
use Ash\Isolation\ConditionCounted;
use Ash\Isolation\Conditions;
use Ash\Isolation\ConditionTried;
use Ash\Isolation\LibrarySymptom;
use Ash\Isolation\LibraryTest as OfLibrary;
use Ash\Isolation\LineOfAttack;
use Ash\Isolation\NextRun;
use Ash\Isolation\ShopHistory;
use Ash\Isolation\SwapFitted;
use Ash\Isolation\SwapOutcome;
use Ash\Isolation\SwapPart;
use Ash\Isolation\SwapRecord;
use Ash\Isolation\SwapSaid;
use Ash\Isolation\SwapTried;
use Ash\Isolation\SymptomLibrary;
use Ash\Logbook\LineFacts;
use Ash\Logbook\UnclearLine;
use PHPUnit\Framework\TestCase;

/** The symptoms that ship, and runs of swaps as a record has them. */
final class LibraryTest extends TestCase
{
    private static function json(): string
    {
        return (string) file_get_contents(__DIR__.'/../../../database/library/symptoms.json');
    }

    public function test_the_library_that_ships(): void
    {
        $library = SymptomLibrary::read(Node::parse(self::json()));
        self::assertSame(
            'no_life fan_dark beeps_dark no_colour torn wrong_chars mem_short mem_error hangs fails_cold fails_warm clock drive_missing '
                .'seek_fail damages_media port_dead card_unseen card_hangs keyboard noise_smell',
            implode(' ', array_map(static fn (string $it): string => substr($it, 1), array_keys($library->symptoms))),
        );
        foreach ($library->symptoms as $symptom) {
            self::assertCount(12, $symptom->tests, $symptom->id);
            foreach ($symptom->tests as $it) {
                self::assertSame([], $it->test->odd, "{$symptom->id} {$it->test->id}");
            }
        }
        // The handbook's tables, a row of each sort: written out, shared, "rest", two outcomes, several causes in one row.
        $rows = [
            ['no_life', 'board_alone_ohms', 'board_short', 'shorted', 0.88], ['no_life', 'swap_supply', 'supply_primary', 'cured', 0.96],
            ['no_life', 'swap_supply', 'board_short', 'same', 0.97],
            ['mem_error', 'mem_locate', 'parity_circuit', 'clean', 0.82], ['beeps_dark', 'count_beeps', 'graphics_seat', 'graphics', 0.79],
            ['beeps_dark', 'count_beeps', 'display_switch', 'unclear', 0.13],
            ['clock', 'retention', 'crystal', 'wrong_rate', 0.76], ['keyboard', 'which_keys', 'layout', 'swapped', 0.92],
            ['noise_smell', 'short_check', 'overload', 'good', 0.40],
        ];
        foreach ($rows as [$symptom, $test, $cause, $outcome, $p]) {
            self::assertEqualsWithDelta(
                $p,
                $library->symptom($symptom)?->tests["\0{$test}"]->test->likely("\0{$cause}", $outcome),
                1e-9,
                "{$symptom} {$test} {$cause}",
            );
        }
        self::assertSame(
            [18.0, 'supply', null],
            [
                $library->symptom('no_life')?->causes["\0supply_primary"]->weight,
                $library->symptom('no_life')->causes["\0supply_primary"]->part,
                $library->symptom('beeps_dark')?->causes["\0memory_setup"]->part,
            ],
        );
        self::assertSame(['off', 'meter'], $library->symptom('no_life')->tests["\0board_alone_ohms"]->test->needs);
        self::assertSame('mains, unplug first', $library->symptom('no_life')->tests["\0swap_supply"]->test->danger);
        self::assertSame('set, ten minutes off, read', $library->symptom('clock')?->tests["\0retention"]->how);
        self::assertNull($library->symptom('sings'));
        self::assertTrue(array_filter($library->symptom('no_life')->tests, static fn (OfLibrary $it): bool => $it->room !== null) !== []);
    }

    /** symptoms.md, the column "room": which finding counts as which outcome. */
    public function test_findings_of_rooms_answer_tests(): void
    {
        $library = SymptomLibrary::read(Node::parse(self::json()));
        foreach ([
            ['fan_dark', 'rails_board', 'rails weak_output working', 'weak'], ['fan_dark', 'rails_board', 'rails open_path working', 'absent'],
            ['fan_dark', 'rails_board', 'rails good working', 'good'], ['fan_dark', 'rails_board', 'rails weak_output partial', null],
            ['no_life', 'rails_load', 'rails dead_output partial', 'one_dead'], ['no_life', 'rails_load', 'rails standby_only partial', 'all_dead'],
            ['no_life', 'board_alone_ohms', 'rails low_resistance none', 'low'], ['no_life', 'supply_parts_measured', 'capacitors replace', 'start_part_out'],
            ['mem_error', 'mem_locate', 'memory several_chips', 'chip'], ['mem_error', 'mem_locate', 'memory address_bridge', 'line'],
            ['mem_error', 'mem_locate', 'memory everything', 'bank'], ['mem_error', 'mem_locate', 'memory clean', 'clean'],
            ['mem_error', 'line_kind_by_mixed_pattern', 'memory data_line', 'data'], ['fan_dark', 'continuity', 'corrosion thin', 'thin'],
            ['fan_dark', 'battery_look', 'corrosion eaten', 'leaked'], ['clock', 'cell_volts', 'batteries dead', 'flat'],
            ['hangs', 'ripple', 'rails ripple_in working', null],
        ] as [$symptom, $test, $found, $outcome]) {
            [$room, $finding, $under] = [...explode(' ', $found), null];
            $answer = new Answered((string) $room, (string) $finding, 'words', $under);
            self::assertSame($outcome, $library->symptom($symptom)?->answered([$answer])["\0{$test}"][0] ?? null, "{$symptom} {$test} {$found}");
        }
    }

    public function test_what_speaks_for_a_cause_and_what_would_settle_it(): void
    {
        $cause = static fn (string $id, float $weight): string => "{\"id\": \"{$id}\", \"weight\": {$weight}, \"shows\": \"x\"}";
        $test = static fn (string $id, float $minutes, string $rows): string => "{\"id\": \"{$id}\", \"minutes\": {$minutes}, \"outcomes\": "
            ."[\"yes\", \"no\"], \"likelihood\": {{$rows}}}";
        $row = static fn (string $id, float $yes): string => "\"{$id}\": {\"yes\": {$yes}, \"no\": ".(1 - $yes).'}';
        $symptom = SymptomLibrary::read(Node::parse('{"format": "ash-bench/symptom-library/1", "symptoms": [{"id": "s", "name": "S", "first": "F", "causes": ['
            .implode(',', [$cause('a', 1), $cause('b', 1), $cause('c', 2)]).'], "tests": ['.implode(',', [
                $test('look', 1, "{$row('a', 0.9)}, {$row('b', 0.4)}, {$row('c', 0.3)}"),
                $test('dear', 9, "{$row('a', 0.98)}, {$row('b', 0.02)}, {$row('c', 0.02)}"),
                $test('cheap', 2, "{$row('a', 0.7)}, {$row('b', 0.5)}, {$row('c', 0.5)}"),
            ]).']}]}'))->symptom('s') ?? self::fail();
        $seen = CauseSeen::all($symptom, $symptom->advice(["\0look" => 'yes'], []), ["\0look" => 'yes']);
        // By hand: the others' chance of "yes" is (0.4 + 2 x 0.3) / 3 = 1/3 for a (2.7 times), 0.5 for b (0.8), 0.65 for c (0.46, below 1 / 1.5).
        self::assertSame(['a', 'c', 'b'], array_map(static fn (CauseSeen $it): string => $it->cause->id, $seen));
        self::assertEqualsWithDelta([0.9 / 1.9, 0.6 / 1.9, 0.4 / 1.9], array_map(static fn (CauseSeen $it): float => $it->probability, $seen), 1e-12);
        self::assertSame(
            [[["\0look" => 'look: yes'], []], [[], ["\0look" => 'look: yes']], [[], []]],
            array_map(static fn (CauseSeen $it): array => [$it->for, $it->against], $seen),
        );
        // a after "dear: yes": 0.9 x 0.98 / (0.9 x 0.98 + 1.0 x 0.02) = 0.98; "cheap: yes" brings it to 0.56 only. Nothing tells b and c apart.
        self::assertStringEndsWith('; for it: look: yes; cheapest to settle it: dear, 9 min', $seen[0]->words());
        self::assertStringEndsWith('; against it: look: yes', $seen[1]->words());
        self::assertSame($seen[2]->cause->shows, $seen[2]->words());
        self::assertSame([['dear', 'yes', 9.0], null, null], array_map(static fn (CauseSeen $it): ?array => $it->settles, $seen));
    }

    public function test_a_library_that_makes_no_sense_is_refused_at_its_field(): void
    {
        $cause = '{"id": "a", "weight": 1, "shows": "x"}';
        $with = static fn (string $causes, string $tests = ''): string => '{"format": "ash-bench/symptom-library/1", "symptoms": [{"id": '
            .'"s", "name": "S", "first": "F", "causes": ['
            .$causes.'], "tests": ['.$tests.']}]}';
        foreach ([
            '/format' => '{"format": "x", "symptoms": []}', '/symptoms/0/causes' => $with(''), '/symptoms/0/causes/1/id' => $with("{$cause}, {$cause}"),
            '/symptoms/0/causes/0/weight' => $with('{"id": "a", "weight": 0, "shows": "x"}'),
            '/symptoms/0/tests/0/likelihood/b' => $with($cause, '{"id": "t", "minutes": 1, "outcomes": ["x", "y"], "likelihood": {"b": {"x": 1}}}'),
            '/symptoms/0/tests/0/how' => $with($cause, '{"id": "t", "minutes": 1, "outcomes": ["x"], "likelihood": {}, "how": 1}'),
            '/symptoms/0/tests/0/from/0/outcome' => $with(
                $cause,
                '{"id": "t", "minutes": 1, "outcomes": ["x"], "likelihood": {}, "from": [{"room": "r", "finding": ["f"], "outcome": "y"}]}',
            ),
            '/symptoms/0/tests/0/from/0/finding' => $with(
                $cause,
                '{"id": "t", "minutes": 1, "outcomes": ["x"], "likelihood": {}, "from": [{"room": "r", "finding": [], "outcome": "x"}]}',
            ),
            '/symptoms/0/tests/1/id' => $with($cause, implode(',', array_fill(0, 2, '{"id": "t", "minutes": 1, "outcomes": ["x"], "likelihood": {}}'))),
        ] as $pointer => $json) {
            try {
                SymptomLibrary::read(Node::parse($json));
                self::fail("{$pointer} was taken");
            } catch (InvalidDocument $fault) {
                self::assertSame($pointer, $fault->pointer);
            }
        }
    }

    public function test_swaps_weigh_the_part_that_was_fitted_first(): void
    {
        $symptom = SymptomLibrary::read(Node::parse(self::json()))->symptom('fan_dark') ?? self::fail();
        $run = static fn (string $card, SwapOutcome $outcome): SwapTried => new SwapTried(
            [new SwapFitted('board', 'board'), new SwapFitted($card, 'graphics', $card === 'spare')],
            $outcome,
        );
        $before = $symptom->advice([], [])->causes;
        $after = $symptom->advice([], [], [$run('card', SwapOutcome::Fails), $run('spare', SwapOutcome::Works)])->causes;
        // The handbook's model, k = 1 or 0 by hand: in both runs 0.951 and 0.049; the card in the failing one only 0.951 and 0.98.
        $both = 0.951 * 0.049;
        $weights = 16 * 0.951 * 0.98;
        self::assertEqualsWithDelta($weights / ($weights + 84 * $both), $after["\0graphics"], 1e-9);
        self::assertGreaterThan($before["\0graphics"], $after["\0graphics"]);
        $sometimes = $symptom->advice([], [], [$run('card', SwapOutcome::Sometimes), $run('spare', SwapOutcome::Works)])->causes;
        self::assertLessThan($after["\0graphics"], $sometimes["\0graphics"], 'a part that shows now and then is accused less surely');
    }

    public function test_runs_are_said_in_a_line(): void
    {
        $before = null;
        foreach ([
            'tried supply, board, card 1 as graphics: dark' => ['supply supply, board board, card 1 graphics', 'fails', 'dark'],
            'swap graphics -> spare 2: dark, 1 long 2 short' => ['supply supply, board board, spare 2 graphics', 'fails', 'dark, 1 long 2 short'],
            'Swap Graphics for card 1: sometimes' => ['supply supply, board board, card 1 graphics', 'sometimes', ''],
            'swap card 1 -> out: alive' => ['supply supply, board board', 'works', 'alive'],
            'swap drive -> drive: fails' => ['supply supply, board board, drive drive', 'fails', ''],
            'swap fan -> out: works' => [null, 'works', ''],
        ] as $line => [$parts, $outcome, $note]) {
            $said = (new SwapSaid())->read($line, new LineFacts(null, [])) ?? self::fail($line);
            $data = $said->data;
            self::assertInstanceOf(SwapSaid::class, $data);
            $run = $data->after($before);
            self::assertSame([$parts, $outcome, $note], [
                $run === null ? null : implode(', ', array_map(static fn (SwapFitted $it): string => "{$it->id} {$it->role}", $run->parts)),
                $data->outcome->value, $said->text,
            ], $line);
            $before = $run ?? $before;
        }
        foreach (['swap', 'swap graphics: dark', 'tried a, a: dark', 'tried a', 'tried another lead: no change', 'swap a -> b'] as $line) {
            try {
                (new SwapSaid())->read($line, new LineFacts(null, []));
                self::fail("{$line} was taken");
            } catch (UnclearLine $unclear) {
                self::assertNotSame('', $unclear->getMessage());
            }
        }
        self::assertNull((new SwapSaid())->read('swapped the fan', new LineFacts(null, [])));
    }

    public function test_roles_are_what_the_runs_show(): void
    {
        $fit = static fn (string ...$ids): array => array_map(
            static fn (string $it): SwapFitted => new SwapFitted($it, rtrim($it, '0123456789')),
            array_values($ids),
        );
        $record = SwapRecord::of([
            new SwapTried($fit('board', 'mem1', 'mem2'), SwapOutcome::Fails),
            new SwapTried($fit('board'), SwapOutcome::Works),
            new SwapTried($fit('board', 'card'), SwapOutcome::Sometimes),
        ]);
        $of = static fn (int $i): array => [$record->swaps->role($record->swaps->parts[$i])->required, $record->swaps->role($record->swaps->parts[$i])->places];
        self::assertSame([[true, 1], [false, 2], [false, 1]], [$of(0), $of(1), $of(3)]);
        $found = $record->swaps->found();
        self::assertSame(0.7, $found->shows);
        self::assertSame('card', $found->next[0]->outName);
        // The card that stands accused goes out: works, and it was the card too.
        self::assertSame(['mem1', 'card'], $record->after($found->next[0], true)?->parts, 'the first set failed without the card');
        self::assertEquals(
            $record->swaps->with($record->swaps->runs[0])->found()->diagnoses[0],
            $record->after(
                new NextRun(
                    parts: ['board', 'mem1', 'mem2'], out: null, in: null, outName: null, inName: null, base: 1, gainBits: 0.0, works: 0.0,
                    minutes: 1.0, order: 1,
                ),
                false,
            ),
        );
        self::assertSame([], $found->contradictions);
    }

    public function test_a_card_that_works_elsewhere_is_cleared_here_and_fills_no_place(): void
    {
        $card = new SwapFitted('G-7', 'graphics', board: 'B1');
        $here = [new SwapTried([new SwapFitted('board', 'board'), new SwapFitted('supply', 'supply'), $card], SwapOutcome::Fails)];
        $there = new SwapTried(
            [new SwapFitted('other', 'board'), new SwapFitted('card as it came', 'graphics', true, 'B1')],
            SwapOutcome::Works,
            'warm',
            '2 short',
        );
        $seen = $there->seenFrom(["\0B1" => 'G-7'], 'J-0002');
        self::assertEquals(
            new SwapTried(
                [new SwapFitted('other (J-0002)', 'board (J-0002)'), new SwapFitted('G-7', 'graphics', true, 'B1')],
                SwapOutcome::Works,
                'warm',
                '2 short',
            ),
            $seen,
        );
        $alone = SwapRecord::of($here)->swaps->found();
        $both = SwapRecord::of($here, [$seen]);
        $found = $both->swaps->found();
        self::assertSame(['board', 'supply', 'G-7', 'other (J-0002)'], array_map(static fn (SwapPart $it): string => $it->id, $both->swaps->parts));
        self::assertEqualsWithDelta($alone->probabilities[0], $alone->probabilities[2], 1e-12, 'one run accuses all alike');
        self::assertLessThan(0.05, $found->probabilities[2]);
        self::assertGreaterThan(0.4, $found->probabilities[0]);
        self::assertFalse($both->swaps->role($both->swaps->parts[3])->required);
        self::assertTrue(
            $both->swaps->role($both->swaps->parts[1])->required,
            'what stood elsewhere without a supply of ours does not say that none is needed',
        );
        // As evidence for the causes of a symptom; what fails elsewhere has suspects of its own.
        $symptom = LibrarySymptom::read(Node::parse('{"id": "x", "name": "X", "first": "X", "tests": [], "causes": [
            {"id": "g", "weight": 1, "part": "graphics", "shows": "g"}, {"id": "b", "weight": 1, "part": "board", "shows": "b"}, {"id": "s",
              "weight": 1, "shows": "s"}]}'));
        $advice = static fn (SwapTried ...$of): array => $symptom->advice([], [], $here, array_values($of))->causes;
        self::assertEqualsWithDelta(1 / 3, $advice()["\0g"], 1e-12);
        self::assertLessThan(0.1, $advice($seen)["\0g"]);
        self::assertSame($advice(), $advice(new SwapTried($seen->parts, SwapOutcome::Fails)));
    }

    /** isolation.md, "Rabbit holes": the same leader, and less than a tenth of a bit gone since the line began. */
    public function test_a_line_of_attack_begins_anew_when_something_is_learned(): void
    {
        $p = static fn (float $a, float $b): array => ["\0a" => $a, "\0b" => $b, "\0c" => 1 - $a - $b];
        foreach ([
            // Entropies: 0.5 and 0.3 have 1.485 bits; 0.52 and 0.29 1.458; 0.6 and 0.25 1.353.
            'nothing new' => [[$p(0.5, 0.3), $p(0.52, 0.29)], 0, 'a', 0.5, 0.52], 'a tenth of a bit' => [[$p(0.5, 0.3), $p(0.6, 0.25)], 1, 'a', 0.6, 0.6],
            'another leads' => [[$p(0.5, 0.3), $p(0.4, 0.45), $p(0.4, 0.45)], 1, 'b', 0.45, 0.45], 'alone' => [[$p(0.5, 0.3)], 0, 'a', 0.5, 0.5],
        ] as $name => [$stood, $from, $leader, $then, $now]) {
            $it = LineOfAttack::of($stood);
            self::assertSame([$from, $leader, $then, $now], [$it->from, $it->leader, $it->then, $it->now], $name);
        }
        $line = LineOfAttack::of([$p(0.5, 0.3), $p(0.52, 0.29)]);
        self::assertNull($line->notice(59.9, 'b', 'strip'));
        self::assertSame(
            '60 minutes on a, and next to nothing was learned (50 % then, 52 % now). Next best: b. What tells most: strip. Or park it with a question.',
            $line->notice(60, 'b', 'strip'),
        );
        self::assertSame('75 minutes on a, and next to nothing was learned (50 % then, 52 % now). Or park it with a question.', $line->notice(75, null, null));
    }

    public function test_nothing_fails_more_often_than_it_was_tried(): void
    {
        self::assertEquals((object) ['condition' => 'cold', 'trials' => 3, 'failures' => 3], ConditionCounted::said('3 of 3 Cold')->data);
        $this->expectExceptionMessage('it cannot fail 5 times in 3');
        ConditionCounted::said('5 of 3 cold');
    }

    public function test_failures_under_conditions_are_added_up_and_compared(): void
    {
        $it = static fn (string $condition, int $failures, int $trials): ConditionCounted => new ConditionCounted($condition, $trials, $failures);
        [$tried, $pairs] = ConditionCounted::compared([$it('Cold', 4, 4), $it('warm', 1, 8), $it('cold', 2, 2), $it('on its side', 1, 2)]);
        self::assertSame(
            [['cold', 6, 6], ['warm', 8, 1], ['on its side', 2, 1]],
            array_map(static fn (ConditionTried $it): array => [$it->name, $it->trials, $it->failures], $tried),
        );
        // R 4.2.2, fisher.test(matrix(c(6, 0, 1, 7), 2))$p.value and so on.
        self::assertEqualsWithDelta([0.004662, 0.25, 0.377778], array_map(static fn (Conditions $it): float => $it->pValue, $pairs), 1e-6);
        self::assertSame(
            [['cold', 'warm'], ['cold', 'on its side'], ['on its side', 'warm']],
            array_map(static fn (Conditions $it): array => [$it->a->name, $it->b->name], $pairs),
        );
    }

    public function test_the_shops_own_jobs_beside_the_library(): void
    {
        $symptom = SymptomLibrary::read(Node::parse(self::json()))->symptom('beeps_dark') ?? self::fail();
        $history = ShopHistory::of(["\0memory_bad" => 7, "\0memory_seat" => 5], ["\0memory_seat" => 50]);
        self::assertSame([true, 12], [$history->ofKind, $history->total], 'of the same kind of machine first');
        self::assertSame([false, 50], [ShopHistory::of([], ["\0memory_seat" => 50])->ofKind, ShopHistory::of([], ["\0memory_seat" => 50])->total]);
        self::assertSame(25.0, $symptom->learned($history)->weights()["\0memory_bad"]);
        self::assertEqualsWithDelta(12 / 109, $history->share($symptom->weights()), 1e-12);
        // R 4.2.2, binom.test(7, 12)$conf.int: 0.2766697 0.8483478; binom.test(0, 12): 0 0.2646485; binom.test(12, 12): 0.7353515 1
        self::assertEqualsWithDelta([7, 7 / 12, 0.2766697, 0.8483478], $history->alone("\0memory_bad"), 1e-7);
        self::assertEqualsWithDelta([0, 0.0, 0.0, 0.2646485], $history->alone("\0graphics"), 1e-7);
        self::assertEqualsWithDelta([12, 1.0, 0.7353515, 1.0], ShopHistory::of(["\0x" => 12], [])->alone("\0x"), 1e-7);
        self::assertNull(ShopHistory::of([], [])->alone("\0x"));
        self::assertSame(0.0, ShopHistory::of([], [])->share($symptom->weights()));
    }
}
