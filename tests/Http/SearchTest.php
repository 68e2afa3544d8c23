<?php

declare(strict_types=1);

namespace Tests\Http;

use App\Logbook\JobWords;
use App\Logbook\Machine;
use App\People\Role;
use Illuminate\Support\Facades\DB;

/** Everything that was written down is found again: words, designators, values, serials, owners; and what cured a symptom before. */
final class SearchTest extends TestCase
{
    /** @return array<mixed> */
    private function found(string $words, string $more = ''): array
    {
        return (array) $this->as(Role::Viewer)->getJson('/api/search?for='.urlencode($words).$more)->assertOk()->json();
    }

    /** @return list<mixed> */
    private function jobs(string $words): array
    {
        return array_column(array_column((array) ($this->found($words)['jobs'] ?? []), 'job'), 'id');
    }

    public function test_words_designators_and_values_are_found(): void
    {
        $job = $this->job();
        $other = $this->job();
        $this->line($job, 'C52 bulged');
        $this->line($job, 'replaced C52 1000u -> 2200u');
        $this->add($job, ['kind' => 'observation', 'text' => 'The zebra relay chatters when the dome turns.'])->assertCreated();
        $run = $this->railRun($other);
        $this->reading($other, $run, '+5', 'regulator U51 out', 4.512)->assertCreated();
        $this->add($other, ['kind' => 'observation', 'text' => 'zebra stripes on the screen'])->assertCreated();
        self::assertSame([$job->id], $this->jobs('c52'));
        self::assertSame([$job->id], $this->jobs('C52 bulged'));
        self::assertSame([$job->id], $this->jobs('zebra chatters'));
        self::assertSame([$other->id, $job->id], $this->jobs('ZEBRA'), 'the latest job first');
        self::assertSame([$other->id, $job->id], $this->jobs('zeb'), 'a beginning');
        self::assertSame([$other->id], $this->jobs('4.512'), 'a value');
        self::assertSame([], $this->jobs('zebra unheard'));
        self::assertSame([], $this->jobs(''));
        $entries = $this->found('chatters')['jobs'][0]['entries'] ?? [];
        self::assertSame(['The zebra relay chatters when the dome turns.'], array_column((array) $entries, 'says'));
        // What comes in afterwards is there at the next question; reading again adds nothing.
        $before = DB::table('job_words')->count();
        self::assertTrue(JobWords::read());
        self::assertSame($before, DB::table('job_words')->count());
        $this->add($other, ['kind' => 'observation', 'text' => 'and a quagga'])->assertCreated();
        self::assertSame([$other->id], $this->jobs('quagga'));
    }

    public function test_machines_by_serial_and_owner_and_older_jobs_page_by_page(): void
    {
        $machine = Machine::query()->findOrFail($this->job()->machine_id);
        $machine->forceFill(['serial' => 'ZX-4711', 'owner' => 'The tide group'])->save();
        foreach (['zx-4711', 'tide group'] as $words) {
            self::assertSame([$machine->id], array_column((array) ($this->found($words)['machines'] ?? []), 'id'), $words);
        }
        $all = [];
        for ($i = 0; $i < 23; ++$i) {
            $job = $this->job();
            $this->add($job, ['kind' => 'observation', 'text' => 'ostrich'])->assertCreated();
            array_unshift($all, $job->id);
        }
        $first = $this->found('ostrich');
        self::assertIsInt($first['before'] ?? null);
        $second = $this->found('ostrich', "&before={$first['before']}");
        $ids = static fn (array $page): array => array_column(array_column((array) ($page['jobs'] ?? []), 'job'), 'id');
        self::assertSame($all, [...$ids($first), ...$ids($second)]);
        self::assertNull($second['before'] ?? null);
        self::assertRefused($this->getJson('/api/search?for=x&before=y'), '/before');
        self::assertRefused($this->getJson('/api/search?four=x'), '/four');
    }

    public function test_what_cured_it_before_is_counted(): void
    {
        $job = $this->job();
        $kind = Machine::query()->findOrFail($job->machine_id)->kind_id;
        $asked = fn (string $query): \Illuminate\Testing\TestResponse => $this->as(Role::Viewer)->getJson("/api/history?{$query}");
        $asked('symptom=beeps_dark')
            ->assertOk()
            ->assertJsonPath('causes', [])
            ->assertJsonPath('counted', 'No closed job of this shop had this symptom and named its cause.');
        $this->add($job, ['kind' => 'cause_found', 'data' => ['symptom' => 'beeps_dark', 'cause' => 'memory_bad']])->assertCreated();
        $this->line($job, 'C12 1000u 16V bulged 7 min');
        $this->line($job, 'note that is it 3 min');
        $this->add($job, ['kind' => 'outcome', 'data' => ['outcome' => 'fixed_with_limits', 'handed_back' => false, 'limits' => ['x']]])->assertCreated();
        $this
            ->getJson("/api/jobs/{$job->id}/minutes")
            ->assertOk()
            ->assertExactJson([['line' => 'capacitors', 'minutes' => 7], ['line' => 'work of no one line', 'minutes' => 3]]);
        $asked("symptom=beeps_dark&kind={$kind}")->assertOk()
            ->assertJsonPath('causes', [['words' => 'memory bad', 'jobs' => 1, 'percent' => '100 %', 'interval' => '3 % to 100 %']])
            ->assertJsonPath('counted', '1 closed job of this kind of machine')
            ->assertJsonPath('parts.0.part', 'C12')->assertJsonPath('parts.0.bad', 1)->assertJsonPath('parts.0.tested', 1);
        self::assertRefused($asked('symptom=sings'), '/symptom');
        self::assertRefused($asked('kind='.self::ulid()), '/kind');
    }
}
