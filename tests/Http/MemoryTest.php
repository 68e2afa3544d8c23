<?php

declare(strict_types=1);

namespace Tests\Http;

use App\Instruments\SerialPort;
use App\Logbook\Job;
use App\Memory\CaptureLoop;
use App\Memory\Source;
use App\People\Role;
use Illuminate\Http\UploadedFile;
use Illuminate\Testing\TestResponse;

final class MemoryTest extends TestCase
{
    private ?StandIn $tester = null;

    protected function tearDown(): void
    {
        $this->tester?->stop();
        exec('rm -rf '.escapeshellarg(storage_path('app/memory')));
        parent::tearDown();
    }

    /**
     * @param array<string, mixed> $more
     *
     * @return TestResponse<\Symfony\Component\HttpFoundation\Response>
     */
    private function paste(Job $job, string $text, array $more = []): TestResponse
    {
        return $this->as(Role::Technician)->postJson("/api/jobs/{$job->id}/memory-sources", ['id' => self::ulid(), 'map' => 'main', 'text' => $text, ...$more]);
    }

    /**
     * @param array<string, mixed> $data
     *
     * @return TestResponse<\Symfony\Component\HttpFoundation\Response>
     */
    private function keep(Job $job, string $source, array $data = []): TestResponse
    {
        return $this->add($job, ['kind' => 'memory', 'data' => ['source' => $source, ...$data]]);
    }

    private static function errors(int $bit, int $count = 8, int $from = 0): string
    {
        return implode("\n", array_map(static fn (int $i): string => sprintf('%04X %02X %02X', $from + 97 * $i, 0xFF, 0xFF ^ 1 << $bit), range(1, $count)));
    }

    private function kept(Job $job, string $text, array $data = []): string
    {
        return self::text($this->keep($job, self::text($this->paste($job, $text)->assertCreated()->json('id')), $data)->assertCreated()->json('entry.id'));
    }

    public function test_pasted_text_is_shown_before_it_is_kept_and_names_the_chip(): void
    {
        $job = $this->job();
        $read = $this->paste($job, "memory test 2\n".self::errors(2)."\nFFFF 00 01")->assertCreated();
        self::assertSame([10, 9, 1, 1], [$read->json('lines'), $read->json('recognised'), $read->json('left_over'), $read->json('located.unmapped')]);
        self::assertSame('memory test 2', $read->json('left.0.text'));
        self::assertSame('chip U32', $read->json('located.suspects.0.called'));
        self::assertSame('nothing', $read->json('located.suspects.0.against'));
        $chip = collect((array) $read->json('sockets.rows.0.places'))->firstWhere('socket.ref', 'U32');
        self::assertSame([4, 8], [$chip['socket']['level'], $chip['socket']['errors']]);
        $this->as(Role::Viewer)->getJson("/api/jobs/{$job->id}/memory")->assertJsonCount(0, 'runs');

        $this
            ->keep($job, self::text($read->json('id')), ['condition' => ['warmth' => 'cold', 'minutes_on' => 2]])
            ->assertCreated()
            ->assertJsonPath('entry.says',
                static fn (string $says): bool => str_starts_with(
                    $says,
                    'Memory test of Main memory, cold, 2 min after power-on: 9 errors. Chip U32 in bank 0',
                ));
        $page = $this->as(Role::Viewer)->getJson("/api/jobs/{$job->id}/memory")->assertOk();
        self::assertSame(['cold, 2 min after power-on', 9], [$page->json('runs.0.condition'), $page->json('runs.0.errors')]);
        self::assertSame(['U32', 'U31'], [$page->json('suggestion.from'), $page->json('suggestion.to')]);
        $sheet = $this->getJson("/api/jobs/{$job->id}")->json('sheet');
        self::assertContains('Main memory: chip U32', array_column($sheet['suspected'], 'text'));
        self::assertRefused($this->keep($job, self::text($read->json('id'))), '/data/source', 'kept already');
    }

    public function test_an_exchange_is_predicted_and_the_next_run_judges_it(): void
    {
        $job = $this->job();
        $first = $this->kept($job, self::errors(2), ['condition' => ['warmth' => 'warm']]);
        $swap = $this->add($job, ['kind' => 'swap', 'data' => ['run' => $first, 'from' => 'U32', 'to' => 'U31']])->assertCreated();
        self::assertStringContainsString('from bank 0 bit 2 to bank 0 bit 1', self::text($swap->json('entry.says')));
        $page = $this->as(Role::Viewer)->getJson("/api/jobs/{$job->id}/memory")->assertOk();
        self::assertSame([null, 'U32'], [$page->json('suggestion'), $page->json('pending.from')]);

        $moved = $this->kept($job, self::errors(1), ['condition' => ['warmth' => 'cold']]);
        $page = $this->getJson("/api/jobs/{$job->id}/memory?run={$moved}&against={$first}")->assertOk();
        self::assertSame(['confirmed', null], [$page->json('run.swap_verdict'), $page->json('pending')]);
        self::assertStringContainsString('the run before was warm and this one cold', self::text($page->json('run.swap')));
        self::assertSame(
            [['U31', 'new'], ['U32', 'gone']],
            array_map(static fn (array $row): array => [$row['ref'], $row['change']], $page->json('comparison.rows')),
        );
        self::assertRefused($this->add($job, ['kind' => 'swap', 'data' => ['run' => $first, 'from' => 'U32', 'to' => 'U99']]), '/data/to', 'no chip');
        self::assertRefused($this->add($job, ['kind' => 'swap', 'data' => ['run' => self::ulid(), 'from' => 'U32', 'to' => 'U31']]), '/data/run');
        self::assertRefused($this->getJson("/api/jobs/{$job->id}/memory?run=".self::ulid()), '/run');
        self::assertRefused($this->getJson("/api/jobs/{$job->id}/memory?map=attic"), '/map');
    }

    public function test_the_next_step_goes_from_suspect_to_repeat_to_soak(): void
    {
        $job = $this->job();
        $this->goodRun($job);
        $this->line($job, 'symptom memory test stops');
        $this->line($job, 'battery none');
        $next = fn (): string => self::text($this->as(Role::Viewer)->getJson("/api/jobs/{$job->id}")->json('sheet.next.text'));
        $this->kept($job, self::errors(2, 2, 0x300));
        self::assertStringContainsString('U32', $next());
        $this->line($job, 'replaced U32 4116 -> 4116 from shelf dc 8312');
        $this->goodRun($job);
        self::assertSame('Repeat the memory test of Main memory.', $next());
        $this->kept($job, "PASS 1 START\nPASS 1 END errors 0");
        self::assertStringNotContainsString('memory test', $next());
        $this->add($job, ['kind' => 'soak', 'data' => ['passes' => 51, 'errors' => 0, 'target_rate' => 0.01, 'seconds_per_pass' => 90]])->assertCreated();
        self::assertContains(
            'Soak, condition not noted: 51 clean passes: a fault that shows in more than 1 pass in 17 would very likely have shown (95 %); '
                .'248 more clean passes reach the wished bound',
            $this->getJson("/api/jobs/{$job->id}")->json('sheet.known'),
        );
    }

    public function test_a_log_in_the_wrong_radix_is_read_again_in_the_right_one(): void
    {
        $job = $this->job('knot-12', 'core');
        $lines = implode("\n", array_map(static fn (int $a): string => "{$a} 0000 0200", range(2048, 2100, 4)));
        $read = $this->paste($job, $lines, ['map' => 'stack', 'radix' => 8])->assertCreated();
        self::assertGreaterThan(0, $read->json('left_over'), 'eights and nines are no octal digits');
        $hex = implode("\n", array_map(static fn (int $a): string => sprintf('%04X 000 080', $a), range(0xA00, 0xA40, 3)));
        $read = $this->paste($job, str_replace(['A', 'B', 'C', 'D', 'E', 'F'], '1', $hex), ['map' => 'stack', 'radix' => 16])->assertCreated();
        $id = self::text($read->json('id'));
        $again = $this->putJson("/api/memory-sources/{$id}", ['radix' => 10])->assertOk();
        self::assertSame(10, $again->json('radix'));
        $far = $this->paste(
            $job,
            implode("\n", array_map(static fn (int $a): string => "{$a} 0000 0200", [4096, 4100, 4101, 4095])),
            ['map' => 'stack', 'radix' => 16],
        )->assertCreated();
        self::assertSame(
            [4, 8],
            [
                $far->json('located.unmapped'),
                $this->paste($job, "7000 0 1\n7001 0 1\n7002 0 1\n7777 0 1", ['map' => 'stack', 'radix' => 16])->json('better_radix'),
            ],
        );
        self::assertRefused($this->putJson("/api/memory-sources/{$id}", ['radix' => 7]), '/radix');
        self::assertRefused($this->putJson("/api/memory-sources/{$id}", ['tested' => ['9']]), '/tested/0', 'no bank');
        self::assertRefused($this->putJson("/api/memory-sources/{$id}", []), '');
    }

    /** @return TestResponse<\Symfony\Component\HttpFoundation\Response> */
    private function csv(Job $job, string $content, array $more = []): TestResponse
    {
        return $this->as(Role::Technician)->post(
            "/api/jobs/{$job->id}/memory-sources/csv",
            ['id' => self::ulid(), 'map' => 'main', 'file' => UploadedFile::fake()->createWithContent('errors.csv', $content), ...$more],
            ['Accept' => 'application/json'],
        );
    }

    public function test_a_csv_is_streamed_cut_ends_are_marked_and_other_faults_are_named(): void
    {
        $job = $this->job();
        $rows = str_replace(' ', ',', self::errors(5));
        $whole = $this->csv($job, "address,expected,actual\r\n{$rows}\r\n")->assertCreated();
        self::assertSame(['whole', 'chip U35'], [$whole->json('state'), $whole->json('located.suspects.0.called')]);
        $cut = $this->csv($job, "address,expected,actual\n{$rows}\n12")->assertCreated();
        self::assertSame(['cut', 8], [$cut->json('state'), $cut->json('located.errors')]);
        self::assertStringStartsWith('line 10 has 1 fields where the header has 3', self::text($cut->json('why')));
        self::assertStringContainsString(
            'Not whole: line 10',
            self::text($this->keep($job, self::text($cut->json('id')))->assertCreated()->json('entry.says')),
        );
        self::assertRefused($this->csv($job, "address,expected,actual\n12,XY,51\n{$rows}\n"), '/file', 'line 2, expected must be a number in radix 16');
        self::assertRefused($this->csv($job, "address,colour\n"), '/file', 'colour');
        self::assertRefused(
            $this->as(Role::Technician)->post(
                "/api/jobs/{$job->id}/memory-sources/csv",
                ['id' => self::ulid(), 'map' => 'main'],
                ['Accept' => 'application/json'],
            ),
            '/file',
            'missing',
        );
        self::assertRefused($this->csv($job, "address,xor\n1,1\n", ['map' => 'attic']), '/map');
        self::assertRefused($this->csv($job, "address,xor\n1,1\n", ['tested' => '0,7']), '/tested', 'no bank "7"');
        self::assertSame(2, Source::query()->count(), 'nothing of the refused ones is left');
        self::assertCount(2, glob(storage_path('app/memory/*')) ?: []);
    }

    public function test_a_text_that_is_too_long_is_refused_and_date_codes_tell_what_was_replaced(): void
    {
        $job = $this->job();
        self::assertRefused($this->paste($job, str_repeat('x', 1_500_001)), '/text', 'as a file');
        $codes = $this->add($job, ['kind' => 'date_codes', 'data' => ['map' => 'main', 'codes' => 'U30-U36 8213, U37 8630']])->assertCreated();
        self::assertStringContainsString('U37 week 30 of 1986: replaced before', self::text($codes->json('entry.says')));
        $page = $this->as(Role::Viewer)->getJson("/api/jobs/{$job->id}/memory");
        self::assertSame(
            ['8630', 'week 30 of 1986: replaced before'],
            [$page->json('sockets.rows.0.places.7.socket.date_code'), $page->json('sockets.rows.0.places.7.socket.younger')],
        );
        self::assertStringContainsString('-5 V first on', self::text($page->json('bias')));
    }

    public function test_what_nobody_kept_is_taken_away_after_a_month_and_what_the_record_came_from_stays(): void
    {
        $job = $this->job();
        $post = fn (): string => self::text($this
            ->as(Role::Technician)
            ->postJson("/api/jobs/{$job->id}/memory-sources", ['id' => self::ulid(), 'map' => 'main', 'text' => "4004 0000 0004\n"])
            ->assertCreated()
            ->json('id'));
        [$kept, $left, $fresh, $coming] = [$post(), $post(), $post(), $post()];
        $this->add(
            $job,
            ['kind' => 'withdrawn', 'text' => 'the wrong board', 'corrects' => self::text($this->keep($job, $kept)->assertCreated()->json('entry.id'))],
        )->assertCreated();
        Source::query()->where('id', $coming)->update(['state' => 'running']);
        Source::query()->whereIn('id', [$kept, $left, $coming])->update(['updated_at' => now()->subDays(31)]);
        $file = Source::query()->findOrFail($left)->file();
        self::assertFileExists($file);
        self::assertSame([1, 0], [\App\Memory\Tidying::run(), \App\Memory\Tidying::run()]);
        self::assertEqualsCanonicalizing([$kept, $fresh, $coming], Source::query()->where('job_id', $job->id)->pluck('id')->all());
        self::assertFileDoesNotExist($file);
        self::assertFileExists(Source::query()->findOrFail($kept)->file());
        $this->getJson("/api/memory-sources/{$left}")->assertNotFound();
    }

    public function test_date_codes_go_with_the_chips_and_an_exchange_changes_what_is_to_be_done(): void
    {
        $job = $this->job();
        $this->add($job, ['kind' => 'date_codes', 'data' => ['map' => 'main', 'codes' => 'U30-U36 8213, U37 8630']])->assertCreated();
        $page = fn (): TestResponse => $this->as(Role::Viewer)->getJson("/api/jobs/{$job->id}/memory")->assertOk();
        $code = static fn (int $place): mixed => $page()->json("sockets.rows.0.places.{$place}.socket.date_code");
        $run = $this->kept($job, self::errors(7));
        self::assertStringContainsString('Reseat U37', self::text($page()->json('run.located.suspects.0.action')));
        $this->add($job, ['kind' => 'swap', 'data' => ['run' => $run, 'from' => 'U37', 'to' => 'U36']])->assertCreated();
        self::assertSame(['8630', '8213'], [$code(6), $code(7)], 'the younger chip sits in U36 now');
        $moved = $this->kept($job, self::errors(6));
        self::assertSame('confirmed', $page()->json('run.swap_verdict'));
        self::assertStringStartsWith('Replace the chip that sits in U36 now', self::text($page()->json('run.located.suspects.0.action')));
        $this->add($job, ['kind' => 'part', 'data' => ['designator' => 'U36', 'to' => '4116']])->assertCreated();
        self::assertSame([null, '8213'], [$code(6), $code(7)], 'nobody wrote the new one\'s code');
        $was = fn (string $run): array => array_map(
            fn (int $place): mixed => $this->getJson("/api/jobs/{$job->id}/memory?run={$run}")->json("run.sockets.rows.0.places.{$place}.socket.date_code"),
            [6, 7],
        );
        self::assertSame(['8213', '8630'], $was($run), 'before the exchange the younger one sat in U37');
        self::assertSame(['8630', '8213'], $was($moved), 'and in U36 after it');
        self::assertContains(
            'the chip in U37 is of week 30 of 1986: replaced before',
            (array) $this->getJson("/api/jobs/{$job->id}/memory?run={$run}")->json('run.located.reasons'),
        );
    }

    public function test_what_takes_too_long_to_read_is_kept_as_far_as_it_was_read_and_marked(): void
    {
        $job = $this->job();
        config(['instruments.read_time' => 0.0]);
        $rows = implode("\n", array_map(static fn (int $i): string => sprintf('%X,FF,FB', $i), range(1, 2500)));
        $read = $this->csv($job, "address,expected,actual\n{$rows}\n")->assertCreated();
        self::assertSame(['cut', 998, 'chip U32'], [$read->json('state'), $read->json('located.errors'), $read->json('located.suspects.0.called')]);
        self::assertStringContainsString('only the first 999 lines were read', self::text($read->json('why')));
        self::assertStringContainsString(
            'Not whole: only the first 999 lines',
            self::text($this->keep($job, self::text($read->json('id')))->assertCreated()->json('entry.says')),
        );
        $text = $this->paste($job, implode("\n", array_map(static fn (int $i): string => sprintf('%04X FF FB', $i), range(1, 2500))))->assertCreated();
        self::assertSame(['cut', 999], [$text->json('state'), $text->json('recognised')]);
    }

    private function listen(Job $job, string $scene): string
    {
        $this->tester = StandIn::start($scene, 4116, 'memory-tester');
        config(['instruments.standin_tester.port' => $this->tester->port, 'instruments.silent_after' => 0.6]);
        $port = SerialPort::query()->firstOrCreate(['name' => 'Tester'], ['host' => '127.0.0.1', 'port' => 9, 'standin' => true, 'active' => true]);
        $id = self::ulid();
        $this
            ->as(Role::Technician)
            ->postJson("/api/jobs/{$job->id}/captures", ['id' => $id, 'map' => 'main', 'port' => $port->id, 'pattern' => 'mix'])
            ->assertCreated()
            ->assertJsonPath('state', 'running');

        return $id;
    }

    /** @param \Closure(Source): bool $until */
    private function turn(CaptureLoop $loop, string $id, \Closure $until, float $seconds = 8): Source
    {
        $end = microtime(true) + $seconds;
        do {
            $loop->turn();
            $source = Source::query()->findOrFail($id);
        } while (!$until($source) && microtime(true) < $end);
        self::assertTrue($until($source), "{$source->state->value}: ".json_encode($source->result->tail ?? null));

        return $source;
    }

    public function test_a_capture_listens_stops_and_is_kept(): void
    {
        $job = $this->job();
        $id = $this->listen($job, 'bad-chip');
        $loop = new CaptureLoop();
        $this->turn($loop, $id, static fn (Source $it): bool => ($it->result?->located->errors ?? 0) > 5);
        self::assertRefused($this->keep($job, $id), '/data/source', 'stop the capture first');
        self::assertRefused(
            $this->as(Role::Technician)->postJson(
                "/api/jobs/{$job->id}/captures",
                ['id' => self::ulid(), 'map' => 'main', 'port' => SerialPort::query()->where('name', 'Tester')->value('id')],
            ),
            '/port',
            'listening there already',
            409,
        );
        Source::query()->where('id', $id)->update(['state' => 'stopping']);
        $source = $this->turn($loop, $id, static fn (Source $it): bool => !$it->state->active());
        self::assertSame('stopped', $source->state->value);
        $card = $this->as(Role::Viewer)->getJson("/api/memory-sources/{$id}")->assertOk();
        self::assertSame('chip U32', $card->json('located.suspects.0.called'));
        self::assertSame($card->json('lines'), count(file($source->file()) ?: []), 'every line that was counted is in the file');
        $this->keep($job, $id)->assertCreated();
    }

    public function test_a_silent_tester_and_a_lost_line_keep_what_came_in_and_say_so(): void
    {
        $job = $this->job();
        $id = $this->listen($job, 'goes-silent');
        $loop = new CaptureLoop();
        $source = $this->turn($loop, $id, static fn (Source $it): bool => $it->state->value === 'silent');
        self::assertSame([6, 1], [$source->result?->located->errors ?? 0, $source->result->passes ?? 0]);
        Source::query()->where('id', $id)->update(['state' => 'stopping']);
        $this->turn($loop, $id, static fn (Source $it): bool => !$it->state->active());
        $this->tester?->stop();

        $lost = $this->turn($loop, $this->listen($job, 'drops'), static fn (Source $it): bool => $it->state->value === 'lost');
        self::assertSame('the tester closed the line in the middle of a line', $lost->why);
        self::assertSame(6, $lost->result?->located->errors ?? 0);
        self::assertStringContainsString(
            'Not whole: the tester closed the line',
            self::text($this->keep($job, $lost->id)->assertCreated()->json('entry.says')),
        );
        $soak = $this->add($job, ['kind' => 'soak', 'data' => ['source' => $id]])->assertCreated();
        self::assertStringContainsString('1 of 1 passes failed', self::text($soak->json('entry.says')));
    }

    public function test_a_capture_goes_on_after_its_program_was_restarted_and_without_it_a_stop_still_keeps_the_text(): void
    {
        $job = $this->job();
        $id = $this->listen($job, 'bad-chip');
        $loop = new CaptureLoop();
        $before = $this->turn($loop, $id, static fn (Source $it): bool => ($it->result->lines ?? 0) > 8)->result->lines ?? 0;
        $loop->close();
        $after = $this->turn(new CaptureLoop(), $id, static fn (Source $it): bool => ($it->result->lines ?? 0) > 30)->result->lines ?? 0;
        self::assertGreaterThan($before, $after);
        $stopped = $this->as(Role::Technician)->postJson("/api/memory-sources/{$id}/stop")->assertOk();
        self::assertSame('stopped', $stopped->json('state'));
        self::assertStringContainsString('did not answer', self::text($stopped->json('why')));
        self::assertGreaterThanOrEqual($after, $stopped->json('lines'));
        $dead = self::ulid();
        $port = SerialPort::query()->create(['name' => 'Nobody', 'host' => '127.0.0.1', 'port' => 9, 'active' => true])->id;
        $this->postJson("/api/jobs/{$job->id}/captures", ['id' => $dead, 'map' => 'main', 'port' => $port])->assertCreated();
        self::assertStringContainsString(
            'cannot be reached',
            (string) $this->turn(new CaptureLoop(), $dead, static fn (Source $it): bool => $it->state->value === 'lost')->why,
        );
    }

    public function test_a_source_sent_twice_is_one_and_typed_text_grows_in_place_until_it_is_kept(): void
    {
        $job = $this->job();
        $id = self::ulid();
        $body = ['id' => $id, 'map' => 'main', 'text' => '0011 FF FB'];
        $this->as(Role::Technician)->postJson("/api/jobs/{$job->id}/memory-sources", $body)->assertCreated();
        $this->postJson("/api/jobs/{$job->id}/memory-sources", ['text' => 'something else'] + $body)->assertCreated()->assertJsonPath('located.errors', 1);
        self::assertSame(1, Source::query()->count());
        $this->putJson("/api/memory-sources/{$id}", ['text' => "0011 FF FB\n0012 FF FB"])->assertOk()->assertJsonPath('located.errors', 2);
        $this->putJson("/api/memory-sources/{$id}", ['tested' => ['1']])->assertOk()->assertJsonPath('located.unmapped', 2)->assertJsonPath('tested', ['1']);
        $this->putJson("/api/memory-sources/{$id}", ['tested' => ['0', '1']])->assertOk()->assertJsonPath('located.unmapped', 0);
        $this->keep($job, $id)->assertCreated();
        self::assertRefused($this->putJson("/api/memory-sources/{$id}", ['text' => '0013 FF FB']), '', 'is kept in the record');
        $csv = self::text($this->csv($job, "ref\nU33\n")->assertCreated()->assertJsonPath('located.suspects.0.called', 'chip U33')->json('id'));
        self::assertRefused($this->putJson("/api/memory-sources/{$csv}", ['text' => '0013 FF FB']), '/text', 'typed text only');
        $closed = $this->job();
        $closed->update(['state' => 'closed']);
        self::assertRefused($this->postJson("/api/jobs/{$closed->id}/memory-sources", ['id' => self::ulid()] + $body), '', 'reopen it first');
    }

    public function test_one_capture_that_cannot_be_begun_does_not_end_the_others(): void
    {
        $job = $this->job();
        $id = $this->listen($job, 'bad-chip');
        $broken = Source::query()
            ->findOrFail($id)
            ->replicate()
            ->fill([
                'port_id' => SerialPort::query()->create(['name' => 'Another', 'host' => '127.0.0.1', 'port' => 9])->id,
                'id' => self::ulid(), 'memory' => '{"key": "broken"}', 'started_at' => now(), 'updated_at' => now()]);
        $broken->save();
        $loop = new CaptureLoop();
        $this->turn($loop, $id, static fn (Source $it): bool => ($it->result?->located->errors ?? 0) > 2);
        self::assertSame('lost', Source::query()->findOrFail($broken->id)->state->value);
        $loop->close();
    }

    public function test_two_hundred_lines_a_second_do_not_fall_behind(): void
    {
        $id = $this->listen($this->job(), 'fast');
        $loop = new CaptureLoop();
        $this->turn($loop, $id, static fn (Source $it): bool => ($it->result->lines ?? 0) > 0);
        $from = microtime(true);
        $first = Source::query()->findOrFail($id)->result->lines ?? 0;
        $saved = [];
        while (microtime(true) - $from < 2.5) {
            $loop->turn();
            $saved[(string) Source::query()->findOrFail($id)->updated_at->format('U.u')] = true;
        }
        $came = (Source::query()->findOrFail($id)->result->lines ?? 0) - $first;
        self::assertGreaterThan(2.0 * 180, $came, 'lines of two seconds');
        self::assertLessThanOrEqual(11, count($saved), 'at most four writings a second');
    }

    public function test_tables_fit_sum_coverage_time_and_maps_answer_and_refuse_by_field(): void
    {
        $ask = fn (string $verb, array $body): TestResponse => $this->as(Role::Technician)->postJson("/api/memory/{$verb}", $body);
        self::assertCount(8, (array) $this->as(Role::Viewer)->getJson('/api/memory/tables')->assertOk()->json('tests'));
        $fit = $ask('fit', ['fitted' => '4116', 'candidate' => '4164'])->assertOk();
        self::assertSame(['needs_rework', 16], [$fit->json('verdict'), count((array) $fit->json('pins'))]);
        self::assertSame(
            [1 => 'conflict', 8 => 'hazard', 9 => 'hazard'],
            collect((array) $fit->json('pins'))->whereIn('meets', ['conflict', 'hazard'])->pluck('meets', 'pin')->all(),
        );
        self::assertRefused($ask('fit', ['fitted' => '4116', 'candidate' => '9999']), '/candidate');
        self::assertSame(
            ['without bank 3'],
            $ask('sum', ['modules' => [['name' => 'bank 0', 'kib' => 128], ['name' => 'bank 3', 'kib' => 64]], 'counted_kib' => 128])->json('explanations'),
        );
        self::assertStringContainsString(
            'no set of modules explains it',
            self::text($ask('sum', ['modules' => [['name' => 'a', 'kib' => 64]], 'counted_kib' => 63])->json('says')),
        );
        self::assertRefused($ask('sum', ['modules' => [['name' => 'a', 'kib' => 'x']], 'counted_kib' => 63]), '/modules/0/kib');
        self::assertSame('100 %', $ask('coverage', ['test' => 'march-c-', 'words' => 4])->assertOk()->json('rows.0.share'));
        self::assertRefused($ask('coverage', ['test' => '{b(r0)}', 'words' => 4]), '/test', 'good memory');
        // 65536 words x 10 operations x 300 ns is 0.196608 s.
        self::assertEqualsWithDelta(0.196608, $ask('time', ['test' => 'march-c-', 'words' => 65536, 'cycle_s' => 3e-7])->json('seconds'), 1e-9);
        self::assertSame('at most 5.7 % of passes fail (95 %)', $ask('soak', ['passes' => 51, 'errors' => 0])->json('bound'));
        self::assertRefused($ask('soak', ['passes' => 51, 'errors' => 0, 'confidence' => 95]), '/confidence');
        $rows = $ask(
            'rows',
            ['name' => 'M', 'rows' => ['word_bits' => 8, 'chip' => '4116', 'rows' => [['name' => '0', 'start' => '0', 'first' => 'U30', 'bit_0' => 'first']]]],
        )->assertOk();
        self::assertStringContainsString('three supplies', self::text($rows->json('bias')));
        self::assertRefused(
            $ask(
                'rows',
                [
                    'name' => 'M',
                    'rows' => ['word_bits' => 8, 'chip' => '4116', 'rows' => [['name' => '0', 'start' => 'x', 'first' => 'U30', 'bit_0' => 'first']]],
                ],
            ),
            '/rows/rows/0/start',
        );
        self::assertRefused($ask('check', ['key' => 'm', 'name' => 'M', 'map' => ['word_bits' => 8, 'banks' => []]]), '/map/banks');
        self::assertSame(
            ['bank 0: no chip gives bits 1, 2, 3'],
            $ask(
                'check',
                [
                    'key' => 'm',
                    'name' => 'M',
                    'map' => ['word_bits' => 4, 'banks' => [['name' => '0', 'start' => '0', 'words' => 16, 'chips' => [['ref' => 'U1', 'bits' => [0]]]]]],
                ],
            )->json('findings'),
        );
    }

    public function test_a_profile_takes_maps_and_refuses_bad_ones_whole(): void
    {
        $machine = self::machine('plover');
        $profile = json_decode($machine->described->profile, true);
        self::assertIsArray($profile);
        $profile['memories'] = [
            [
                'key' => 'm',
                'name' => 'M',
                'map' => [
                    'word_bits' => 1,
                    'banks' => [
                        ['name' => '0', 'start' => '0', 'words' => 16, 'chips' => [['ref' => 'U1', 'bits' => [0]]]],
                        ['name' => '1', 'start' => '8', 'words' => 16, 'chips' => [['ref' => 'U2', 'bits' => [0]]]],
                    ],
                ],
            ],
        ];
        self::assertRefused(
            $this->as(Role::Technician)->putJson("/api/machines/{$machine->id}/profile", $profile),
            '/memories/0/map/banks/1',
            'both answer at 8',
        );
        $profile['memories'][0]['map']['banks'][1]['start'] = '10';
        $this->putJson("/api/machines/{$machine->id}/profile", $profile)->assertOk();
        self::assertCount(1, $machine->refresh()->readProfile()->section(\Ash\Memory\DescribedMemories::class)->all ?? []);
    }

    public function test_a_test_that_was_not_understood_is_not_clean_until_somebody_teaches_the_reader(): void
    {
        $job = $this->job();
        $log = "RAM TEST V1\nFEHLER 1 ORT 1A3F SOLL FF IST FB\nFEHLER 2 ORT 0011 SOLL FF IST FB\nFEHLER 3 ORT 0123 SOLL FF IST FB\nEND OF TEST";
        $source = $this->paste($job, $log)->assertCreated();
        $id = self::text($source->json('id'));
        $source->assertJson(['not_read' => true, 'left_over' => 5, 'located' => ['errors' => 0]])->assertJsonPath(
            'left.1.words',
            ['FEHLER', '1', 'ORT', '1A3F', 'SOLL', 'FF', 'IST', 'FB'],
        );
        $kept = $this->keep($job, $id)->assertCreated();
        self::assertStringContainsString('not read: 5 lines were not understood', self::text($kept->json('entry.says')));
        $page = fn (): TestResponse => $this->as(Role::Viewer)->getJson("/api/jobs/{$job->id}/memory")->assertOk();
        $page()->assertJsonPath('runs.0.not_read', true);
        $sheet = $this->getJson("/api/jobs/{$job->id}")->json('sheet');
        self::assertStringContainsString('teach the reader', (string) json_encode([$sheet['next'], $sheet['then']]));
        self::assertContains(
            'the last memory test of Main memory is not read',
            array_column((array) $this->getJson("/api/jobs/{$job->id}/unproven")->json(), 'text'),
        );
        $report = html_entity_decode(strip_tags((string) $this->get("/jobs/{$job->id}/report/sheet")->getContent()));
        self::assertStringContainsString('not read', $report);
        self::assertStringNotContainsString('no error', $report);

        $id = self::text($this->paste($job, $log)->json('id'));
        $teach = fn (array $body): TestResponse => $this->as(Role::Technician)->postJson("/api/memory-sources/{$id}/lines", $body);
        $chip = ['line' => 'FEHLER 1 ORT 1A3F SOLL FF IST FB', 'sort' => 'error', 'marks' => [
            ['word' => 3, 'role' => 'address'], ['word' => 5, 'role' => 'expected'], ['word' => 7, 'role' => 'actual'],
        ]];
        self::assertRefused($teach(['line' => 'FAULT', 'sort' => 'error', 'marks' => [['word' => 0, 'role' => 'chip']]]), '/line');
        $tried = $teach($chip)->assertOk()->assertJson([
            'pattern' => 'fehler [any number] ort [the address] soll [what was written] ist [what was read]',
            'lines' => 3,
            'source' => ['left_over' => 2],
        ]);
        self::assertStringContainsString('3 errors instead of 0', self::text($tried->json('says')));
        $this->getJson("/api/memory-sources/{$id}")->assertJsonPath('left_over', 5);
        self::assertRefused($teach([...$chip, 'id' => self::ulid(), 'tester' => true]), '/tester');
        $kept = self::ulid();
        $teach([...$chip, 'id' => $kept])->assertCreated();
        $teach([...$chip, 'id' => $kept])->assertOk();
        $teach(['line' => 'END OF TEST', 'sort' => 'chatter', 'id' => $kept])->assertStatus(409);
        foreach (['RAM TEST V1', 'END OF TEST'] as $line) {
            $teach(['line' => $line, 'sort' => 'chatter', 'id' => self::ulid()])->assertCreated();
        }
        $this
            ->getJson("/api/memory-sources/{$id}")
            ->assertJson(['not_read' => false, 'left_over' => 0])
            ->assertJsonPath('located.suspects.0.called', 'chip U32');

        // From then on this machine's dialect is known, also on another job; it goes out, comes in elsewhere, and a lead puts it away.
        $other = $this->paste($this->job(), "RAM TEST V7\nFEHLER 1 ORT 0007 SOLL 00 IST 08")->assertCreated();
        $other->assertJson(['left_over' => 0, 'located' => ['errors' => 1]]);
        $document = $this->as(Role::Viewer)->get("/machines/{$job->machine_id}/dialect.json")->assertOk()->getContent();
        $elsewhere = self::machine('curlew-16')->id;
        $bring = fn (): TestResponse => $this->as(Role::Lead)->call('POST', "/api/machines/{$elsewhere}/lines", server: [
            'CONTENT_TYPE' => 'application/json', 'HTTP_ACCEPT' => 'application/json',
        ], content: $document);
        $bring()->assertOk()->assertJson(['taken' => 3]);
        $bring()->assertOk()->assertJson(['taken' => 0]);
        self::assertRefused($this->postJson("/api/machines/{$elsewhere}/lines", ['format' => 'ash-bench/dialect/1', 'lines' => [
            ['example' => '1 2', 'pattern' => ['sort' => 'chatter', 'tokens' => [new \stdClass()]]],
        ]]), '/lines/0/pattern');
        self::assertRefused(
            $this->postJson("/api/machines/{$elsewhere}/lines", ['format' => 'ash-bench/dialect/1', 'lines' => [['example' => '1 2', 'x' => 1]]]),
            '/lines/0/x',
        );
        self::assertCount(6, (array) $this->getJson('/api/lines')->assertOk()->json());
        $this->deleteJson("/api/lines/{$kept}")->assertNoContent();
        $this->paste($this->job(), "RAM TEST V7\nFEHLER 1 ORT 0007 SOLL 00 IST 08")->assertCreated()->assertJsonPath('left_over', 1);
    }

    public function test_what_was_not_understood_proves_nothing_in_a_soak(): void
    {
        $job = $this->job();
        $source = self::text($this->paste($job, "pass 1 ok\npass 2 ok\nMEMORY ERROR")->assertCreated()->json('id'));
        self::assertRefused($this->add($job, ['kind' => 'soak', 'data' => ['source' => $source]]), '/data/source');
    }

    /** "48082 bytes free" of 49 152: 1 070 bytes are the firmware's, as somebody who saw a good one notes with the map (common practice, no source). */
    public function test_what_a_machine_counts_is_compared_after_what_its_firmware_keeps(): void
    {
        $job = $this->job();
        $says = fn (string $says): TestResponse => $this->as(Role::Viewer)->getJson(
            "/api/jobs/{$job->id}/memory/counted?".http_build_query(['map' => 'main', 'says' => $says]),
        );
        self::assertRefused($says('it hums'), '/says', 'no size');
        self::assertRefused($says('48082'), '/says', 'with its unit');
        self::assertRefused($this->getJson("/api/jobs/{$job->id}/memory/counted?map=attic&says=1K"), '/map');
        $machine = self::machine();
        $profile = json_decode($machine->described->profile, true);
        $banks = count($profile['memories'][0]['map']['banks']);
        $fitted = 16384 * $banks;
        $free = $fitted - 1070;
        self::assertStringContainsString('1070 less than fitted, less than any bank', self::text($says("{$free} bytes free")->assertOk()->json('says.0')));
        $profile['memories'][0]['firmware_keeps_bytes'] = 1070;
        $this->as(Role::Lead)->putJson("/api/machines/{$machine->id}/profile", $profile)->assertOk();
        self::assertSame("{$fitted} bytes fitted, the firmware keeps 1070, {$free} counted: all of it", $says("RAM {$free} BYTES FREE")->json('says.0'));
        $less = $free - 16384;
        self::assertStringStartsWith('as without ', self::text($says("{$less} bytes free")->json('says.1')));
        self::assertStringContainsString('more than there should be', self::text($says('1 MB')->json('says.0')));
    }
}
