<?php

declare(strict_types=1);

namespace Tests\Http;

use App\Logbook\Job;
use App\Logbook\OpenItem;
use App\People\Role;
use Illuminate\Support\Facades\DB;
use Illuminate\Testing\TestResponse;

final class CapacitorTest extends TestCase
{
    /**
     * @param array<string, mixed> $data
     *
     * @return TestResponse<\Symfony\Component\HttpFoundation\Response>
     */
    private function read(Job $job, string $cap, array $data): TestResponse
    {
        return $this->add($job, ['kind' => 'cap_reading', 'data' => ['cap' => $cap, 'in_circuit' => false, ...$data]]);
    }

    /** @return array<string, mixed> */
    private function cap(Job $job, string $key): array
    {
        $caps = $this->as(Role::Viewer)->getJson("/api/jobs/{$job->id}/capacitors")->assertOk()->json('caps');

        return collect(is_array($caps) ? $caps : [])->firstWhere('key', $key) ?? self::fail("no {$key}");
    }

    public function test_the_boards_list_comes_with_the_profile_and_readings_are_judged_by_it(): void
    {
        $job = $this->job(slot: 'supply');
        $page = $this->as(Role::Viewer)->getJson("/api/jobs/{$job->id}/capacitors")->assertOk();
        self::assertSame(['C1', 'C2', 'C3', 'C4', 'C5', 'C6', 'C7', 'C8', 'C9', 'C10'], array_column((array) $page->json('caps'), 'key'));
        self::assertSame('C1', $page->json('live'));
        self::assertCount(0, (array) $this->getJson("/api/jobs/{$this->job(slot: 'dome')->id}/capacitors")->json('caps'), 'another board has its own');

        $bad = $this->read($job, 'C1', ['capacitance_f' => '3,1m', 'esr_ohm' => '0.2', 'visual' => ['bulged']])->assertCreated();
        self::assertSame(['replace', true], [$bad->json('entry.data.verdict'), $bad->json('entry.data.proven')]);
        self::assertStringStartsWith('C1 lifted: 3100 µF, ESR 200 mΩ, bulged (replace)', self::text($bad->json('entry.says')));
        $unproven = $this->read($job, 'C2', ['capacitance_f' => 0.0046, 'in_circuit' => true])->assertCreated();
        self::assertSame(['keep', false], [$unproven->json('entry.data.verdict'), $unproven->json('entry.data.proven')]);
        self::assertSame('watch', $this->read($job, 'C9', ['capacitance_f' => 1e-5, 'esr_ohm' => 1])->json('entry.data.verdict'), 'a 16 V tantalum on 12 V');
        $card = $this->cap($job, 'C1');
        self::assertSame(['3100 µF', 'replace'], [$card['value'], $card['verdict']]);
        $page = $this->getJson("/api/jobs/{$job->id}/capacitors");
        self::assertSame(['C1'], $page->json('to_replace'));
        self::assertSame([6, 1, 1], [$page->json('policies.0.count'), $page->json('policies.0.tested'), $page->json('policies.0.bad')]);
        self::assertStringContainsString('default prior', self::text($page->json('policies.0.prior')));
        self::assertSame('C3', $page->json('live'));
    }

    public function test_one_that_nobody_knows_waits_with_a_question_and_is_never_judged_by_a_guess(): void
    {
        $job = $this->job(slot: 'supply');
        $found = $this->add(
            $job,
            ['kind' => 'capacitor', 'data' => ['place' => 'beside relay K2', 'rail' => '+12', 'diameter_mm' => 18, 'height_mm' => 35, 'asked' => 'the crew']],
        )->assertCreated();
        $card = $this->cap($job, 'beside relay K2');
        self::assertSame('a guess from 2 like it: 4700 µF 25 V, aluminium', $card['guess']);
        self::assertStringContainsString('same rail +12 and size', self::text($card['siblings'][0]));
        self::assertStringContainsString('an answer, which capacitor it is: beside relay K2', self::text($card['waiting']));
        self::assertRefused($this->read($job, 'beside relay K2', ['capacitance_f' => 0.0047]), '/data/cap', 'not known yet');
        $bench = $this->getJson('/api/bench');
        self::assertContains('the crew', array_column((array) $bench->json('waiting'), 'asked'));

        $known = $this->add(
            $job,
            [
                'kind' => 'capacitor',
                'corrects' => self::text($found->json('entry.id')),
                'data' => ['place' => 'beside relay K2', 'rail' => '+12', 'kind' => 'aluminium', 'marked_f' => '2200u', 'rated_v' => '25 V'],
            ],
        )->assertCreated();
        self::assertSame('Capacitor beside relay K2: 2200 µF 25 V, aluminium, on +12', $known->json('entry.says'));
        self::assertFalse(OpenItem::query()->findOrFail(self::text($found->json('entry.id')))->open);
        self::assertSame('keep', $this->read($job, 'beside relay K2', ['capacitance_f' => '2150u', 'esr_ohm' => '40m'])->json('entry.data.verdict'));
        $pin = self::ulid();
        \App\Logbook\Entry::query()->create([
            'id' => $pin,
            'job_id' => $job->id,
            'board_id' => $job->board_id,
            'kind' => 'pin',
            'stage' => 'repair',
            'at' => now(),
            'author' => 'Test',
            'text' => 'this one',
            'data' => new \Ash\Logbook\Entries\Pin(self::ulid(), 0.4, 0.6, 3),
            'fingerprint' => str_repeat('0', 64),
            'received_at' => now(),
        ]);
        $this->add($job, ['kind' => 'capacitor', 'data' => ['place' => 'left of R3', 'pin' => $pin]])->assertCreated()->assertJsonPath('entry.data.pin', $pin);
        self::assertRefused($this->add($job, ['kind' => 'capacitor', 'data' => ['kind' => 'film']]), '/data', 'a designator or a place');
        self::assertRefused($this->add($job, ['kind' => 'capacitor', 'data' => ['ref' => 'C20', 'rail' => '+7']]), '/data/rail', 'no rail');
        self::assertRefused($this->add($job, ['kind' => 'capacitor', 'data' => ['ref' => 'C20', 'pin' => self::ulid()]]), '/data/pin');
    }

    public function test_the_bench_chooses_its_policy_with_a_reason_and_history_of_the_shop_counts_from_thirty(): void
    {
        $job = $this->job(slot: 'supply');
        self::assertRefused(
            $this->add($job, ['kind' => 'decision', 'text' => 'x', 'data' => ['reason' => 'x', 'policy' => 'replace_kind']]),
            '/data',
            'come together',
        );
        $this->add(
            $job,
            [
                'kind' => 'decision',
                'text' => 'aluminium: replace the kind',
                'data' => ['reason' => 'two of row A are bad', 'capacitors' => 'aluminium', 'policy' => 'replace_kind'],
            ],
        )->assertCreated();
        $other = $this->job('whimbrel', 'supply');
        foreach (range(1, 30) as $i) {
            DB::table('capacitor_tests')->insert([
                'board_id' => $other->board_id,
                'job_id' => $other->id,
                'entry_id' => self::ulid(),
                'cap_key' => "C{$i}",
                'kind' => 'aluminium',
                'year' => 1981,
                'marked_f' => 1e-3,
                'rated_v' => 16,
                'verdict' => $i <= 12 ? 'replace' : 'keep',
                'proven' => true,
                'at' => '2026-01-01',
            ]);
        }
        $page = $this->as(Role::Viewer)->getJson("/api/jobs/{$job->id}/capacitors")->assertOk();
        self::assertSame(['C1', 'C2', 'C3', 'C4', 'C5', 'C6'], $page->json('to_replace'));
        self::assertSame(['replace_kind', 'two of row A are bad'], [$page->json('policies.0.chosen'), $page->json('policies.0.because')]);
        self::assertStringContainsString('12 of 30', self::text($page->json('policies.0.prior')));
        $shopping = $this->getJson('/api/shopping')->assertOk();
        self::assertSame(
            [2, 1, 3],
            [$shopping->json('rows.2.wanted'), $shopping->json('rows.2.spares'), $shopping->json('rows.2.buy')],
            (string) $shopping->getContent(),
        );
        $csv = $this->get('/shopping.csv')->assertOk()->streamedContent();
        self::assertStringStartsWith("kind,value,volts,wanted,spares,on_shelf,buy,jobs\r\n", $csv);
        self::assertStringContainsString("{$job->label()}: C1", $csv);
    }

    public function test_polarity_is_confirmed_against_the_boards_mark(): void
    {
        $job = $this->job(slot: 'supply');
        $rework = fn (array $data): TestResponse => $this->add($job, ['kind' => 'rework', 'data' => $data]);
        self::assertRefused($rework(['cap' => 'C9', 'done' => 'refitted', 'polarity' => 'minus']), '/data/polarity', 'a tantalum\'s stripe marks plus');
        self::assertRefused($rework(['cap' => 'C1', 'done' => 'refitted', 'polarity' => 'plus']), '/data/polarity', 'stripe marks minus');
        $rework(['cap' => 'C9', 'done' => 'refitted', 'polarity' => 'plus'])->assertCreated();
        $survey = self::text($this
            ->add($job, ['kind' => 'survey', 'data' => ['place' => 'C1 plus to rectifier', 'holds' => 'trace', 'grade' => 2, 'carries' => 'supply']])
            ->assertCreated()
            ->json('entry.id'));
        self::assertSame(
            'C1: trace repaired, continuity of C1 plus to rectifier',
            $rework(['cap' => 'C1', 'done' => 'trace_repaired', 'continuity' => $survey])->assertCreated()->json('entry.says'),
        );
        self::assertRefused($rework(['cap' => 'C1', 'done' => 'trace_repaired', 'continuity' => self::ulid()]), '/data/continuity');
        self::assertRefused($rework(['cap' => 'C1', 'done' => 'painted']), '/data/done');
        self::assertSame(['trace repaired'], $this->cap($job, 'C1')['rework']);
    }

    public function test_a_marking_is_decoded_while_it_is_typed(): void
    {
        $ask = fn (array $body): TestResponse => $this->as(Role::Technician)->postJson('/api/capacitors/decode', $body);
        self::assertSame(
            [['10 pF 10 V', 'E3'], ['100 µF 10 V', 'E3']],
            array_map(static fn (array $it): array => [$it['says'], $it['series']], (array) $ask(['marking' => '10v 100'])->assertOk()->json()),
        );
        self::assertSame([], $ask(['marking' => '2X'])->assertOk()->json());
        self::assertRefused($ask(['marking' => '104', 'kind' => 'glass']), '/kind');
    }

    public function test_the_meter_reads_farads_and_losses_at_the_live_part_and_leakage_by_itself(): void
    {
        $job = $this->job(slot: 'supply');
        $standIn = StandIn::start();
        config(['instruments.standin.port' => $standIn->port]);
        $meter = self::meter($standIn->port);
        $take = fn (array $more): TestResponse => $this->as(Role::Technician)->postJson(
            "/api/jobs/{$job->id}/capacitors/take",
            [
                ...['id' => self::ulid(), 'at' => '2026-03-01T11:00:00Z', 'meter' => $meter->id, 'what' => 'part', 'cap' => 'C1', 'in_circuit' => false],
                ...$more,
            ],
        );
        // The stand-in's ESR leads: 0.18 ohm / 20; dunlin-8's C1 holds 3100 uF behind 0.2 ohm and leaks 0.9 mA (standins/bench-meter/boards).
        $id = self::ulid();
        $take(['id' => $id])->assertOk()->assertJsonPath('state', 'reading');
        $take(['id' => $id])->assertOk()->assertJsonPath('words', 'was taken before');
        $card = $this->cap($job, 'C1');
        self::assertSame(['replace', null], [$card['verdict'], $card['esr']], 'this meter knows capacitance only');
        self::assertMatchesRegularExpression('/^3[01]\d\d(\.\d)? µF$/', self::text($card['value']));
        self::assertRefused($take(['what' => 'leads']), '/meter', 'does not read ESR');

        $meter->update(\App\Instruments\Meter::STANDIN_LOSSES);
        $leads = $take(['what' => 'leads'])->assertOk();
        self::assertEqualsWithDelta(0.009, $leads->json('lead_ohm'), 0.002);
        self::assertSame(1, DB::table('entries')->where('job_id', $job->id)->where('kind', 'cap_reading')->count(), 'the leads are no reading of a part');
        $take(['lead_ohm' => $leads->json('lead_ohm')])->assertOk();
        $data = \App\Logbook\Entry::query()
            ->where('job_id', $job->id)
            ->where('kind', 'cap_reading')
            ->orderByDesc('received_at')
            ->firstOrFail()
            ->as(\Ash\Capacitors\CapacitorRead::class);
        self::assertEqualsWithDelta(0.2, $data?->esrOhm, 0.003);
        self::assertEqualsWithDelta(2 * M_PI * 120 * 0.0031 * 0.2, $data?->tanDelta, 0.003, 'tan delta = 2 pi f C ESR');
        self::assertSame([120.0, 'replace', true], [$data?->frequencyHz, $data?->verdict?->value, $data?->proven]);
        $take(['cap' => 'C4', 'what' => 'leakage'])->assertOk()->assertJsonPath('state', 'reading');
        self::assertSame('watch', $this->cap($job, 'C4')['verdict'], '4.1 mA where 0.01 C V allows 1.6 mA: reform it first');
        $take(['cap' => 'C3', 'what' => 'leakage', 'in_circuit' => true])->assertOk();
        self::assertSame(['keep', false], [$this->cap($job, 'C3')['verdict'], $this->cap($job, 'C3')['proven']]);

        $count = DB::table('entries')->count();
        $meter->update(['esr_query' => 'FETC:NONSENSE?']);
        self::assertStringStartsWith('ESR: ', self::text($take([])->assertOk()->json('words')), 'a meter that does not know its query');
        self::assertNotSame('reading', $take(['cap' => 'C77'])->assertOk()->json('state'));
        self::assertRefused($take(['what' => 'colour']), '/what');
        self::assertSame($count, DB::table('entries')->count());
        $standIn->stop();
    }

    public function test_readings_of_one_part_are_judged_together(): void
    {
        $job = $this->job(slot: 'supply');
        $this->read($job, 'C5', ['esr_ohm' => 3])->assertCreated()->assertJsonPath('entry.data.verdict', 'replace');
        $this->read($job, 'C5', ['capacitance_f' => 0.001])->assertCreated()->assertJsonPath('entry.data.verdict', 'keep');
        $card = $this->cap($job, 'C5');
        self::assertSame(['replace', '1000 µF', '3 Ω'], [$card['verdict'], $card['value'], $card['esr']]);
        self::assertSame(['C5'], $this->getJson("/api/jobs/{$job->id}/capacitors")->json('to_replace'));
        self::assertSame('replace', DB::table('capacitor_tests')->where('cap_key', 'C5')->value('verdict'));
    }

    public function test_a_new_part_is_judged_by_its_own_figures_and_tells_nothing_of_the_old_ones(): void
    {
        $job = $this->job(slot: 'supply');
        $this->read($job, 'C5', ['capacitance_f' => 0.0005, 'esr_ohm' => 3])->assertCreated();
        $before = $this->getJson("/api/jobs/{$job->id}/capacitors")->json('policies.0');
        $this->add($job, ['kind' => 'part', 'data' => ['designator' => 'C5', 'to' => '1500u 25V']])->assertCreated();
        self::assertSame('1500u 25V', $this->cap($job, 'C5')['replaced']);
        $after = $this->read($job, 'C5', ['capacitance_f' => 0.00152, 'esr_ohm' => 0.03])->assertCreated();
        self::assertSame(
            ['keep', true],
            [$after->json('entry.data.verdict'), $after->json('entry.data.proven')],
            'above the original\'s tolerance, within its own',
        );
        $card = $this->cap($job, 'C5');
        self::assertSame(
            ['keep', null, '1500 µF 25 V, aluminium', '500 µF, replace'],
            [$card['verdict'], $card['replaced'], $card['words'], $card['previous']],
        );
        $now = $this->getJson("/api/jobs/{$job->id}/capacitors")->json('policies.0');
        self::assertSame(self::rows($before)['tested'], self::rows($now)['tested']);
        self::assertSame(1, self::rows($now)['bad']);
        self::assertSame([1, 'replace'], [DB::table('capacitor_tests')->count(), DB::table('capacitor_tests')->value('verdict')]);

        $later = $this->job(slot: 'supply');
        self::assertSame('1500 µF 25 V, aluminium', $this->cap($later, 'C5')['words'], 'the next visit knows what sits there');
        $this->add(
            $later,
            ['kind' => 'decision', 'text' => 'replace the kind', 'data' => ['reason' => 'old', 'capacitors' => 'aluminium', 'policy' => 'replace_kind']],
        )->assertCreated();
        self::assertNotContains('C5', (array) $this->getJson("/api/jobs/{$later->id}/capacitors")->json('to_replace'), 'it is new');
        $part = DB::table('entries')->where('kind', 'part')->where('job_id', $job->id)->value('id');
        $this->add($job, ['kind' => 'withdrawn', 'text' => 'not yet fitted', 'corrects' => self::text($part)])->assertCreated();
        self::assertStringStartsWith('1000 µF', self::text($this->cap($job, 'C5')['words']));
    }

    /** @return array<mixed> */
    private static function rows(mixed $it): array
    {
        return is_array($it) ? $it : self::fail('no rows');
    }

    public function test_a_withdrawn_reading_lets_the_one_before_it_count_again(): void
    {
        $job = $this->job(slot: 'supply');
        $this->read($job, 'C5', ['capacitance_f' => 0.00098, 'esr_ohm' => 0.05])->assertCreated();
        $wrong = self::text($this->read($job, 'C5', ['capacitance_f' => 0.0006])->assertCreated()->json('entry.id'));
        self::assertSame('replace', DB::table('capacitor_tests')->where('cap_key', 'C5')->value('verdict'));
        $this->add($job, ['kind' => 'withdrawn', 'text' => 'wrong part', 'corrects' => $wrong])->assertCreated();
        self::assertSame('keep', DB::table('capacitor_tests')->where('cap_key', 'C5')->value('verdict'));
        self::assertSame('keep', $this->cap($job, 'C5')['verdict']);
    }
}
