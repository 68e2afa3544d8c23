<?php

declare(strict_types=1);

namespace Ash\Tests\Isolation;

use Ash\Isolation\IsolationRoom;
use Ash\Tests\Asks;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Against the handbook's model written out over all subsets, and the published examples. */
final class SwapsTest extends TestCase
{
    use Asks;

    /** @return array<string, array{list<list<string>>, list<list<string>>}> */
    public static function published(): array
    {
        $words = static fn (string ...$sets): array => array_map(static fn (string $it): array => explode(' ', $it), $sets);

        return [
            // R. Reiter, "A theory of diagnosis from first principles", Artificial Intelligence 32, 1987, example of section 4.
            'Reiter' => [$words('2 4 5', '1 2 3', '1 3 5', '2 4 6', '2 4', '2 3 5', '1 6'), $words('1 2', '1 3 4', '1 4 5', '2 3 6', '2 5 6', '3 4 6')],
            // J. de Kleer, B. C. Williams, "Diagnosing multiple faults", Artificial Intelligence 32, 1987: the polybox.
            'polybox' => [$words('A1 M1 M2', 'A1 A2 M1 M3'), $words('A1', 'M1', 'A2 M2', 'M2 M3')],
        ];
    }

    /**
     * @param list<list<string>> $conflicts
     * @param list<list<string>> $diagnoses
     */
    #[DataProvider('published')]
    public function test_published_examples(array $conflicts, array $diagnoses): void
    {
        $found = self::put(new IsolationRoom(), 'hitting', ['conflicts' => $conflicts]);
        /** @var list<list<string>> $sets */
        $sets = $found['diagnoses'];
        foreach ($sets as &$set) {
            sort($set);
        }
        self::assertEqualsCanonicalizing($diagnoses, $sets);
        self::assertSame([false, true], [$found['unsolvable'], $found['proved']]);
        // As parts of failing runs of which nothing else is known.
        $parts = array_values(array_unique(array_merge(...$conflicts)));
        $swaps = self::put(new IsolationRoom(), 'swaps', [
            'parts' => array_map(static fn (string $it): array => ['id' => $it, 'role' => $it], $parts),
            'runs' => array_map(static fn (array $it): array => ['parts' => $it, 'outcome' => 'fails'], $conflicts),
        ]);
        /** @var list<array{parts: list<string>}> $said */
        $said = $swaps['diagnoses'];
        self::assertEqualsCanonicalizing($diagnoses, array_map(static function (array $it): array {
            sort($it['parts']);

            return $it['parts'];
        }, $said));
    }

    public function test_hitting_sets_agree_with_all_subsets(): void
    {
        mt_srand(11);
        for ($round = 0; $round < 120; ++$round) {
            $names = mt_rand(1, 9);
            $conflicts = [];
            for ($c = mt_rand(0, 9); $c > 0; --$c) {
                $conflict = array_values(array_filter(range(1, $names), static fn (): bool => mt_rand(0, 2) === 0));
                $conflicts[] = array_map(static fn (int $it): string => "n{$it}", $conflict === [] ? [mt_rand(1, $names)] : $conflict);
            }
            $atMost = mt_rand(1, 5);
            $order = array_values(array_unique(array_merge([], ...$conflicts)));
            $hits = static fn (int $set): bool => array_filter($conflicts, static fn (array $it): bool => array_filter(
                $it, static fn (string $name): bool => ($set >> (int) array_search($name, $order, true) & 1) === 1,
            ) === []) === [];
            $minimal = [];
            for ($set = 0; $set < 1 << count($order); ++$set) {
                $less = array_filter(array_keys($order), static fn (int $i): bool => ($set >> $i & 1) === 1 && $hits($set & ~(1 << $i)));
                if ($hits($set) && $less === []) {
                    $minimal[] = array_values(array_filter(array_keys($order), static fn (int $i): bool => ($set >> $i & 1) === 1));
                }
            }
            $minimal = array_values(array_filter($minimal, static fn (array $it): bool => count($it) <= $atMost));
            usort($minimal, static fn (array $a, array $b): int => count($a) <=> count($b) ?: $a <=> $b);
            $found = self::put(new IsolationRoom(), 'hitting', ['conflicts' => $conflicts, 'at_most' => $atMost]);
            self::assertSame(
                array_map(static fn (array $it): array => array_map(static fn (int $i): string => $order[$i], $it), $minimal),
                $found['diagnoses'],
            );
        }
    }

    public function test_an_empty_conflict_has_no_diagnosis_and_none_needs_nothing(): void
    {
        self::assertSame(['diagnoses' => [], 'unsolvable' => true, 'proved' => true], self::put(new IsolationRoom(), 'hitting', ['conflicts' => [['a'], []]]));
        self::assertSame(['diagnoses' => [[]], 'unsolvable' => false, 'proved' => true], self::put(new IsolationRoom(), 'hitting', ['conflicts' => []]));
    }

    /**
     * @return array{parts: list<array{id: string, role: string, prior: float, minutes: float}>, roles: list<array{name: string, required: bool, places: int}>,
     *     runs: list<array{parts: list<string>, outcome: string}>, mistake: float, max_faults: int, pairs: bool, shows?: float}
     */
    private static function drawn(): array
    {
        $roles = $parts = $runs = [];
        for ($r = 0; $r < mt_rand(2, 4); ++$r) {
            $roles[] = ['name' => "r{$r}", 'required' => mt_rand(0, 2) > 0, 'places' => mt_rand(1, 2)];
            for ($p = mt_rand(1, 3); $p > 0; --$p) {
                $parts[] = ['id' => "r{$r}p{$p}", 'role' => "r{$r}", 'prior' => mt_rand(1, 30) / 100, 'minutes' => (float) mt_rand(1, 9)];
            }
        }
        for ($n = mt_rand(0, 6); $n > 0; --$n) {
            $fitted = [];
            foreach ($roles as $role) {
                $of = array_column(array_filter($parts, static fn (array $it): bool => $it['role'] === $role['name']), 'id');
                shuffle($of);
                $fitted = [...$fitted, ...array_slice($of, 0, mt_rand(0, min($role['places'], count($of))))];
            }
            $fitted === [] || $runs[] = ['parts' => $fitted, 'outcome' => ['works', 'fails', 'fails'][mt_rand(0, 2)]];
        }

        return [
            'parts' => $parts, 'roles' => $roles, 'runs' => $runs, 'mistake' => mt_rand(1, 10) / 100, 'max_faults' => mt_rand(1, 3),
            'pairs' => mt_rand(0, 1) === 1,
            ...(mt_rand(0, 1) === 1 ? ['shows' => [0.6, 0.9, 1.0][mt_rand(0, 2)]] : []),
        ];
    }

    public function test_odds_diagnoses_and_the_next_run_agree_with_the_model_over_all_subsets(): void
    {
        mt_srand(7);
        for ($round = 0; $round < 150; ++$round) {
            $document = self::drawn();
            $found = self::put(new IsolationRoom(), 'swaps', $document);
            $plain = new PlainSwaps($document);
            $said = json_encode($document, JSON_THROW_ON_ERROR);
            self::assertSame($plain->contradictions, $found['contradictions'], $said);
            self::assertSame($plain->shows, (float) $found['shows'], $said);
            self::assertEqualsWithDelta($plain->entropy(), $found['entropy_bits'], 1e-9, $said);
            self::assertEqualsWithDelta($plain->probability([]), $found['p_none'], 1e-9, $said);
            self::assertEqualsWithDelta($plain->bad(), array_column((array) $found['parts'], 'probability'), 1e-9, $said);
            /** @var list<array{parts: list<string>, pairs: list<list<string>>, probability: float}> $diagnoses */
            $diagnoses = $found['diagnoses'];
            $name = static fn (array $it): string => implode(
                ' ',
                [...$it['parts'], ...array_map(static fn (array $pair): string => implode('+', $pair), $it['pairs'])],
            );
            self::assertEqualsWithDelta($plain->diagnoses(), array_combine(array_map($name, $diagnoses), array_column($diagnoses, 'probability')), 1e-9, $said);
            self::assertEquals(array_column($diagnoses, 'probability'), array_reverse(array_column(array_reverse($diagnoses), 'probability')));
            /** @var list<array{parts: list<string>, change: array<string, ?string>, base: int, gain_bits: float, p_works: float, minutes: float}> $next */
            $next = $found['next'];
            $expected = $plain->next();
            self::assertSame(
                array_column($expected, 0),
                array_map(static fn (array $it): string => "{$it['change']['out']}>{$it['change']['in']}@{$it['base']}", $next),
                $said,
            );
            foreach ($next as $i => $it) {
                self::assertEqualsWithDelta($expected[$i][1], $it['gain_bits'], 1e-9, $said);
                self::assertEqualsWithDelta($expected[$i][2], $it['p_works'], 1e-9, $said);
                self::assertEqualsWithDelta($expected[$i][3], $it['minutes'], 1e-9, $said);
            }
        }
    }

    public function test_order_and_names_change_nothing_and_a_working_run_never_accuses(): void
    {
        mt_srand(23);
        for ($round = 0; $round < 40; ++$round) {
            $document = ['shows' => 1.0] + self::drawn();
            $document['shows'] = 1.0;
            $odds = static fn (array $d): array => array_column((array) self::put(new IsolationRoom(), 'swaps', $d)['parts'], 'probability', 'id');
            $before = $odds($document);
            self::assertEqualsWithDelta($before, $odds([...$document, 'runs' => array_reverse($document['runs'])]), 1e-9);
            $renamed = json_decode(str_replace('"r', '"x', json_encode($document, JSON_THROW_ON_ERROR)), true);
            $renamed = str_replace(
                ['"xoles"', '"xole"', '"xuns"', '"xequired"'],
                ['"roles"', '"role"', '"runs"', '"required"'],
                json_encode($renamed, JSON_THROW_ON_ERROR),
            );
            self::assertEqualsWithDelta(array_values($before), array_values($odds((array) json_decode($renamed, true))), 1e-9);
            $run = $document['runs'][0] ?? null;
            if ($run !== null) {
                $after = $odds([...$document, 'runs' => [...$document['runs'], ['outcome' => 'works'] + $run]]);
                foreach ($run['parts'] as $part) {
                    self::assertLessThanOrEqual($before[$part] + 1e-12, $after[$part]);
                }
            }
        }
    }

    /** The first suspect is what was added last, whatever the figures say: common practice, no source. */
    public function test_the_last_thing_added_comes_out_again(): void
    {
        $found = self::put(new IsolationRoom(), 'swaps', [
            'parts' => [
                ['id' => 'board', 'role' => 'board'],
                ['id' => 'card', 'role' => 'card', 'known_good' => true, 'minutes' => 60],
                ['id' => 'drive', 'role' => 'drive'],
            ],
            'roles' => [['name' => 'card', 'required' => true], ['name' => 'drive', 'required' => false]],
            'runs' => [['parts' => ['board'], 'outcome' => 'works'], ['parts' => ['board', 'card'], 'outcome' => 'fails']],
        ]);
        /** @var list<array{change: array{out: ?string, in: ?string}, base: int, parts: list<string>}> $next */
        $next = $found['next'];
        self::assertSame([['out' => 'card', 'in' => null], 2, ['board']], [$next[0]['change'], $next[0]['base'], $next[0]['parts']]);
        self::assertStringContainsString('card was added last', implode(' ', (array) $found['reasons']));
        self::assertSame([['card']], array_column((array) $found['diagnoses'], 'parts'));
    }

    public function test_a_part_that_no_swap_can_test_is_named_with_what_can(): void
    {
        $parts = [['id' => 'board', 'role' => 'board'], ['id' => 'card', 'role' => 'card'], ['id' => 'spare', 'role' => 'card', 'known_good' => true]];
        $found = self::put(new IsolationRoom(), 'swaps', ['parts' => $parts, 'runs' => [
            ['parts' => ['board', 'card'], 'outcome' => 'fails'], ['parts' => ['board', 'spare'], 'outcome' => 'fails'],
        ]]);
        self::assertStringContainsString('board leads and no swap can test it', implode(' ', (array) $found['reasons']));
        $contradicted = self::put(new IsolationRoom(), 'swaps', ['parts' => $parts, 'runs' => [
            ['parts' => ['board', 'card'], 'outcome' => 'works'], ['parts' => ['board', 'card'], 'outcome' => 'fails'],
        ]]);
        self::assertSame([[2], 0.7, []], [$contradicted['contradictions'], $contradicted['shows'], $contradicted['diagnoses']]);
        self::assertStringContainsString('no exact diagnosis', implode(' ', (array) $contradicted['reasons']));
    }

    /** @return array<string, array{string, array<string, mixed>}> */
    public static function refused(): array
    {
        $good = [
            'parts' => [['id' => 'a', 'role' => 'x'], ['id' => 'b', 'role' => 'x'], ['id' => 'c', 'role' => 'y']],
            'runs' => [['parts' => ['a', 'c'], 'outcome' => 'fails']],
        ];
        $run = static fn (array $run): array => [...$good, 'runs' => [$run]];
        $part = static fn (array $part): array => [...$good, 'parts' => [...$good['parts'], $part]];

        return [
            'an unknown part' => ['/runs/0/parts/1', $run(['parts' => ['a', 'z'], 'outcome' => 'fails'])],
            'two in one place' => ['/runs/0/parts/1', $run(['parts' => ['a', 'b'], 'outcome' => 'fails'])],
            'twice' => ['/runs/0/parts/1', $run(['parts' => ['a', 'a'], 'outcome' => 'fails'])],
            'nothing fitted' => ['/runs/0/parts', $run(['parts' => [], 'outcome' => 'fails'])],
            'left open' => ['/runs/0/outcome', $run(['parts' => ['a']])],
            'another outcome' => ['/runs/0/outcome', $run(['parts' => ['a'], 'outcome' => 'perhaps'])],
            'a prior of one' => ['/parts/3/prior', $part(['id' => 'd', 'role' => 'x', 'prior' => 1])],
            'a prior of nothing' => ['/parts/3/prior', $part(['id' => 'd', 'role' => 'x', 'prior' => 0])],
            'no minutes' => ['/parts/3/minutes', $part(['id' => 'd', 'role' => 'x', 'minutes' => 0])],
            'a name twice' => ['/parts/3/id', $part(['id' => 'a', 'role' => 'x'])],
            'shows never' => ['/shows', [...$good, 'shows' => 0]],
            'always a mistake' => ['/mistake', [...$good, 'mistake' => 1]],
            'four faults' => ['/max_faults', [...$good, 'max_faults' => 4]],
            'no place' => ['/roles/0/places', [...$good, 'roles' => [['name' => 'x', 'required' => true, 'places' => 0]]]],
            'a role twice' => ['/roles/1/name', [...$good, 'roles' => [['name' => 'x', 'required' => true], ['name' => 'x', 'required' => true]]]],
            'too many' => ['/parts', ['parts' => array_map(static fn (int $i): array => ['id' => "p{$i}", 'role' => 'x'], range(1, 65)), 'runs' => []]],
        ];
    }

    /** @param array<string, mixed> $document */
    #[DataProvider('refused')]
    public function test_what_makes_no_sense_is_refused_at_its_field(string $pointer, array $document): void
    {
        self::assertRefusedAt($pointer, new IsolationRoom(), 'swaps', $document);
    }

    public function test_conflicts_are_refused_at_their_field(): void
    {
        self::assertRefusedAt('/conflicts/0/1', new IsolationRoom(), 'hitting', ['conflicts' => [['a', 'a']]]);
        self::assertRefusedAt('/at_most', new IsolationRoom(), 'hitting', ['conflicts' => [], 'at_most' => 0]);
        self::assertRefusedAt('/conflicts', new IsolationRoom(), 'hitting', ['conflicts' => array_fill(0, 201, ['a'])]);
        self::assertRefusedAt('/conflicts', new IsolationRoom(), 'hitting', ['conflicts' => array_map(static fn (int $i): array => ["n{$i}"], range(1, 65))]);
    }
}
