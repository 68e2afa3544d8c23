<?php

declare(strict_types=1);

namespace Tests\Http;

use App\Logbook\Board;
use App\Logbook\Job;
use App\People\Role;
use Illuminate\Testing\TestResponse;

/** A symptom, its tests and swaps on a job, through the record and back on the page. */
final class IsolationTest extends TestCase
{
    private function page(Job $job, string $have = ''): TestResponse
    {
        return $this->as(Role::Technician)->getJson("/api/jobs/{$job->id}/isolation".($have === '' ? '' : "?have={$have}"))->assertOk();
    }

    /** @param array<string, mixed> $data */
    private function said(Job $job, string $kind, array $data): TestResponse
    {
        return $this->add($job, ['kind' => $kind, 'data' => $data]);
    }

    public function test_a_symptom_is_weighed_and_each_test_moves_it(): void
    {
        $job = $this->job();
        $this->page($job)->assertJsonPath('symptom', null)->assertJsonCount(20, 'symptoms')->assertJsonPath('causes', [])->assertJsonPath('tests', []);
        $this->said($job, 'symptom_chosen', ['symptom' => 'beeps_dark'])->assertCreated()->assertJsonPath('entry.says', 'Beeps and dark');
        $before = $this->page($job);
        self::assertSame('memory seat', $before->json('causes.0.words'));
        self::assertEqualsWithDelta(22 / 97, $before->json('causes.0.probability'), 1e-9);
        // Nothing that powers the board is advised while a gate is closed; what is at hand is said.
        $made = array_filter((array) $before->json('tests'), static fn (array $it): bool => $it['needs'] === []);
        self::assertNotSame([], $made);
        self::assertContains('powered', array_merge(...array_column((array) $before->json('tests'), 'needs')));
        $this->said($job, 'test_done', ['symptom' => 'beeps_dark', 'test' => 'reseat_memory', 'outcome' => 'cured'])->assertCreated();
        $after = $this->page($job);
        // Bayes by hand over the library's row: memory_seat 0.92, memory_bad 0.08, the rest 0.03.
        self::assertEqualsWithDelta(22 * 0.92 / (22 * 0.92 + 18 * 0.08 + 57 * 0.03), $after->json('causes.0.probability'), 1e-9);
        self::assertSame('cured', collect((array) $after->json('tests'))->firstWhere('id', 'reseat_memory')['outcome'] ?? null);
        $page = $this->getJson("/api/jobs/{$job->id}");
        $made = collect((array) $page->json('entries'))->firstWhere('kind', 'test_done')['id'] ?? '';
        self::assertContains(['words' => 'reseat memory: cured', 'entry' => $made, 'room' => null], (array) $after->json('causes.0.for'));
        self::assertContains('memory seat', array_column((array) $page->json('sheet.suspected'), 'text'));
        self::assertStringContainsString('for it: reseat memory: cured', self::text($page->json('sheet.suspected.0.why')));
        self::assertStringContainsString('against it: reseat memory: cured', self::text($page->json('sheet.suspected.1.why')));
        // A mistaken one is taken back.
        $entry = collect((array) $page->json('entries'))->firstWhere('kind', 'test_done')['id'] ?? '';
        $this->add($job, ['kind' => 'withdrawn', 'text' => 'the other module', 'corrects' => $entry])->assertCreated();
        self::assertEqualsWithDelta(22 / 97, $this->page($job)->json('causes.0.probability'), 1e-9);
    }

    public function test_what_a_room_finds_counts_as_the_tests_outcome(): void
    {
        $job = $this->job();
        $this->said($job, 'symptom_chosen', ['symptom' => 'fan_dark'])->assertCreated();
        /** @phpstan-impure */
        $made = fn (): array => array_column(
            array_filter((array) $this->page($job)->json('tests'), static fn (array $it): bool => $it['outcome'] !== null),
            'outcome',
            'id',
        );
        self::assertEmpty($made());
        $before = $this->page($job)->json('causes.*.percent');
        $this->goodRun($job);
        self::assertSame('good', $made()['rails_board'] ?? null, 'a good rail run is no test to be made again');
        self::assertNotSame($before, $this->page($job)->json('causes.*.percent'));
        $this->line($job, 'bat nicd 3 leaking');
        $leak = fn (string $place, float $ohm): TestResponse => $this->said($job, 'continuity', ['place' => $place, 'measured_ohm' => $ohm, 'lead_ohm' => 0.1]);
        $place = $this->line($job, 'leak U7 pin 3 trace 3 20 mm signal');
        $leak($place, 0.11)->assertCreated();
        self::assertSame(['leaked', 'sound'], [$made()['battery_look'] ?? null, $made()['continuity'] ?? null]);
        $this->said($job, 'continuity', ['place' => $place, 'measured_ohm' => 'open', 'lead_ohm' => 0.1])->assertCreated();
        self::assertSame('open', $made()['continuity'] ?? null);
        $page = $this->page($job);
        self::assertSame('eaten traces', $page->json('causes.0.words'));
        self::assertSame('leaked', collect((array) $page->json('tests'))->firstWhere('id', 'battery_look')['outcome'] ?? null);
        self::assertStringContainsString('open', self::text(collect((array) $page->json('tests'))->firstWhere('id', 'continuity')['found_by'] ?? null));
        self::assertContains(['words' => 'continuity: open', 'entry' => null, 'room' => 'corrosion'], (array) $page->json('causes.0.for'));
        // What somebody says of the test himself counts before it.
        $this->said($job, 'test_done', ['symptom' => 'fan_dark', 'test' => 'continuity', 'outcome' => 'sound'])->assertCreated();
        self::assertContains('sound', $made());
        self::assertNull(collect((array) $this->page($job)->json('tests'))->firstWhere('id', 'continuity')['found_by'] ?? null);
    }

    public function test_swaps_are_kept_and_clear_and_accuse(): void
    {
        $job = $this->job();
        $set = static fn (string $card, bool $good = false): array => [
            ['id' => 'board', 'role' => 'board', 'known_good' => false], ['id' => $card, 'role' => 'graphics', 'known_good' => $good],
        ];
        $this->said($job, 'swap_run', ['parts' => $set('card'), 'outcome' => 'fails'])->assertCreated()->assertJsonPath('entry.says', 'board, card: fails');
        $this->said($job, 'swap_run', ['parts' => $set('spare', true), 'outcome' => 'works'])->assertCreated();
        $page = $this->page($job);
        self::assertSame(['board', 'card', 'spare'], $page->json('swaps.parts.*.id'));
        self::assertSame([[], ['spare']], $page->json('swaps.runs.*.changed'));
        self::assertStringStartsWith('card, ', self::text($page->json('swaps.diagnoses.0')));
        self::assertGreaterThan(0.5, $page->json('swaps.parts.1.probability'));
        self::assertSame([false, []], [$page->json('powered'), $page->json('swaps.next')], 'no rail of it is judged yet');
        self::assertSame('card', $this->getJson("/api/jobs/{$job->id}")->json('sheet.suspected.0.text'));
        // As evidence for the causes of a symptom: the graphics come before the memory.
        $this->said($job, 'symptom_chosen', ['symptom' => 'fan_dark'])->assertCreated();
        self::assertSame('graphics', $this->page($job)->json('causes.0.words'));
        // Failing sometimes counts as failing, and a bad part then shows less surely.
        $this->said($job, 'swap_run', ['parts' => $set('card'), 'outcome' => 'sometimes'])->assertCreated();
        self::assertSame('fails sometimes', $this->page($job)->json('swaps.runs.2.outcome_words'));
    }

    public function test_works_there_and_fails_here_speaks_about_both(): void
    {
        $here = $this->job();
        $there = $this->job('curlew-16', 'cpu');
        Board::query()->whereKey($here->board_id)->update(['serial' => 'DB-0044']);
        $tried = fn (Job $job, string $outcome, string ...$ids): TestResponse => $this->said($job, 'swap_run', ['outcome' => $outcome, 'parts' => array_map(
            static fn (string $it): array => ['id' => $it, 'role' => $it === 'DB-0044' ? 'card' : $it], array_values($ids),
        )]);
        $tried($here, 'fails', 'supply', 'backplane', 'DB-0044')->assertCreated();
        self::assertCount(1, (array) $this->page($here)->json('swaps.runs'));
        $before = $this->page($here)->json('swaps.parts.2.probability');
        $tried($there, 'works', 'supply', 'cpu', 'DB-0044')->assertCreated();
        $page = $this->page($here);
        self::assertSame([null, "{$there->label()}, {$there->title}"], $page->json('swaps.runs.*.elsewhere'));
        self::assertSame($there->id, $page->json('swaps.runs.1.elsewhere_id'));
        self::assertSame('DB-0044', $page->json('swaps.parts.2.id'));
        self::assertLessThan($before, $page->json('swaps.parts.2.probability'));
        self::assertSame([true, true, true, false, false], $page->json('swaps.parts.*.here'));
        // The other job learns that it failed here; a run that is taken back counts nowhere.
        self::assertSame([null, "{$here->label()}, {$here->title}"], $this->page($there)->json('swaps.runs.*.elsewhere'));
        $entry = collect((array) $this->getJson("/api/jobs/{$there->id}")->json('entries'))->firstWhere('kind', 'swap_run')['id'] ?? '';
        $this->add($there, ['kind' => 'withdrawn', 'text' => 'the other card', 'corrects' => $entry])->assertCreated();
        self::assertSame($before, $this->page($here)->json('swaps.parts.2.probability'));
        self::assertRefused(
            $this->said($here, 'swap_run', ['outcome' => 'fails', 'parts' => [['id' => 'a', 'role' => 'a', 'board' => self::ulid()]]]),
            '/data/parts/0/board',
        );
    }

    public function test_suspects_stand_in_one_list_and_a_line_that_leads_nowhere_is_called_out(): void
    {
        $job = $this->job();
        $this->said($job, 'symptom_chosen', ['symptom' => 'fan_dark'])->assertCreated();
        $sheet = fn (): array => (array) $this->getJson("/api/jobs/{$job->id}")->json('sheet');
        $run = $this->railRun($job);
        $this->reading($job, $run, '+5', 'regulator U51 out', 4.5)->assertCreated();
        $list = $sheet()['suspected'];
        self::assertSame([true, true, true, false], array_slice(array_column($list, 'weighed'), 0, 4), 'what was weighed stands first');
        self::assertMatchesRegularExpression('/^\d+ %$/', self::text($list[0]['percent']));
        self::assertNull($list[3]['percent']);
        // An hour on the same suspect, and nothing learned: once, in words, with what comes next.
        $noted = static fn (array $sheet): array => array_values(array_filter(
            $sheet['notices'],
            static fn (string $it): bool => str_contains($it, 'next to nothing was learned'),
        ));
        $this->add($job, ['kind' => 'observation', 'text' => 'looked again', 'minutes' => 59])->assertCreated();
        self::assertCount(0, $noted($sheet()));
        $this->add($job, ['kind' => 'observation', 'text' => 'and again', 'minutes' => 1])->assertCreated();
        $notice = $noted($sheet());
        self::assertCount(1, $notice);
        self::assertStringContainsString("60 minutes on {$list[0]['text']}", $notice[0]);
        self::assertStringContainsString("Next best: {$list[1]['text']}.", $notice[0]);
        // A test that tells something begins a new line.
        $this->said($job, 'test_done', ['symptom' => 'fan_dark', 'test' => 'signs_of_life', 'outcome' => 'yes'])->assertCreated();
        self::assertSame([], $noted($sheet()));
    }

    public function test_closed_jobs_move_the_weights(): void
    {
        $job = $this->job();
        $this->said($job, 'symptom_chosen', ['symptom' => 'beeps_dark'])->assertCreated();
        $this->page($job)->assertJsonPath('causes.0.history', null)->assertJsonPath('found', null);
        self::assertStringContainsString('no closed job of this shop', self::text($this->page($job)->json('weights')));
        self::assertRefused($this->said($job, 'cause_found', ['symptom' => 'beeps_dark', 'cause' => 'moon']), '/data/cause');
        self::assertRefused($this->said($job, 'cause_found', ['symptom' => 'sings', 'cause' => 'moon']), '/data/symptom');
        $found = fn (Job $on, string $cause): string => self::text($this
            ->said($on, 'cause_found', ['symptom' => 'beeps_dark', 'cause' => $cause])
            ->assertCreated()
            ->json('entry.id'));
        $first = $found($job, 'memory_bad');
        $second = $found($job, 'memory_seat');
        $this->page($job)->assertJsonPath('found', 'memory_seat');
        // The one that was said last was a slip: the one before it stands again.
        $this->add($job, ['kind' => 'withdrawn', 'text' => 'a slip', 'corrects' => $second])->assertCreated();
        $this->page($job)->assertJsonPath('found', 'memory_bad');
        $other = $this->job();
        $this->said($other, 'symptom_chosen', ['symptom' => 'beeps_dark'])->assertCreated();
        $weight = fn (): mixed => collect((array) $this->page($other)->json('causes'))->firstWhere('id', 'memory_bad');
        self::assertEqualsWithDelta(18 / 97, $weight()['probability'] ?? 0, 1e-9, 'an open job counts for nothing');
        $this->add(
            $job,
            ['kind' => 'outcome', 'data' => ['outcome' => 'fixed_with_limits', 'handed_back' => false, 'limits' => ['no warranty']]],
        )->assertCreated();
        self::assertEqualsWithDelta(19 / 98, $weight()['probability'] ?? 0, 1e-9);
        self::assertSame('1 of 1 closed jobs here (100 %; 95 % interval 3 % to 100 %)', $weight()['history'] ?? null);
        self::assertSame(
            '1 % of the weights is this shop\'s history (1 closed job of this kind of machine), the rest and all likelihoods are bench '
                .'estimates of the library.',
            $this->page($other)->json('weights'),
        );
        $this->add($job, ['kind' => 'reopened', 'text' => 'it came back'])->assertCreated();
        self::assertEqualsWithDelta(18 / 97, $weight()['probability'] ?? 0, 1e-9);
        self::assertNotSame('', $first);
    }

    public function test_failures_are_counted_under_conditions(): void
    {
        $job = $this->job();
        $this->line($job, 'failed 4 of 4 cold');
        $this->line($job, 'fails 2/2 when Cold');
        $this
            ->page($job)
            ->assertJsonPath('conditions', [['name' => 'cold', 'failures' => 6, 'trials' => 6, 'percent' => '100 %']])
            ->assertJsonPath('compared', []);
        $this
            ->said($job, 'condition_counted', ['condition' => 'warm', 'trials' => 8, 'failures' => 0])
            ->assertCreated()
            ->assertJsonPath('entry.says', 'Failed 0 of 8 warm');
        // R 4.2.2: fisher.test(matrix(c(6, 0, 0, 8), 2))$p.value = 0.000333
        $words = 'fails 6 of 6 cold and 0 of 8 warm: unlikely to be chance (p = 0.0003). The numbers are small';
        $this->page($job)->assertJsonPath('compared', [['words' => $words, 'clue' => true]]);
        self::assertContains($words, (array) $this->getJson("/api/jobs/{$job->id}")->json('sheet.known'));
        self::assertRefused($this->said($job, 'condition_counted', ['condition' => 'warm', 'trials' => 2, 'failures' => 3]), '/data/failures');
        $this->add($job, ['line' => 'failed 3 of 2 cold'])->assertCreated()->assertJsonPath('entry.kind', 'observation');
        // A run keeps the condition and the beeps.
        $this->said($job, 'swap_run', [
            'parts' => [['id' => 'board', 'role' => 'board', 'known_good' => false]], 'outcome' => 'fails', 'condition' => 'cold', 'beeps' => '1 long 2 short',
        ])->assertCreated()->assertJsonPath('entry.says', 'board: fails, beeps 1 long 2 short (cold)');
        $this->page($job)->assertJsonPath('swaps.runs.0.note', '1 long 2 short, cold');
    }

    public function test_swaps_are_said_in_a_line(): void
    {
        $job = $this->job();
        $line = fn (string $line): TestResponse => $this->add($job, ['line' => $line]);
        // Before any set nothing can be changed: it is kept as said, with the doubt.
        $line('swap graphics -> spare 2: dark')->assertCreated()->assertJsonPath('entry.kind', 'observation');
        $line('tried supply, board, card 1 as graphics: dark')->assertCreated()->assertJsonPath('entry.says', 'supply, board, card 1: fails. dark');
        $line('swap graphics -> spare 2: works')->assertCreated()->assertJsonPath('entry.kind', 'swap_run');
        $page = $this->page($job);
        self::assertSame([['supply', 'board', 'card 1'], ['supply', 'board', 'spare 2']], $page->json('swaps.runs.*.parts'));
        self::assertStringStartsWith('card 1, ', self::text($page->json('swaps.diagnoses.0')));
    }
}
