<?php

declare(strict_types=1);

namespace Tests\Http;

use App\Logbook\Entry;
use App\Logbook\Job;
use App\Memory\Source;
use App\People\Role;
use App\Rails\Run;
use Illuminate\Testing\TestResponse;

/** Every room's words in the job's one line: previewed with the verdict, kept by the same door as a form, never lost. */
final class LineTest extends TestCase
{
    /** @return array<string, mixed> */
    private function preview(Job $job, string $line): array
    {
        return (array) $this->as(Role::Technician)->postJson('/api/logbook/line', ['line' => $line, 'job' => $job->id])->assertOk()->json();
    }

    /** @return TestResponse<\Symfony\Component\HttpFoundation\Response> */
    private function said(Job $job, string $line, ?string $id = null): TestResponse
    {
        return $this->as(Role::Technician)->postJson(
            "/api/jobs/{$job->id}/entries",
            ['id' => $id ?? self::ulid(), 'at' => '2026-03-01T10:00:00Z', 'line' => $line],
        );
    }

    public function test_a_rail_is_judged_as_it_is_typed_and_belongs_to_a_run(): void
    {
        $job = $this->job();
        $seen = $this->preview($job, 'rail +12 10.1 loaded');
        self::assertStringContainsString('out', self::text($seen['says']));
        self::assertSame([null, 0, 0], [$seen['doubt'], Run::query()->count(), Entry::query()->count()], 'a preview keeps nothing');
        $first = $this->said($job, 'rail +12 10.1 loaded')->assertCreated();
        self::assertSame('reading', $first->json('entry.kind'));
        $this->said($job, 'rail +5 5.01')->assertCreated();
        self::assertSame([1, ['working', 'working']], [Run::query()->count(), $this->loads($job)], 'the load is the one of the reading before');
        self::assertRefused($this->said($job, 'rail +5 5020'), '/data/sure', '5.02 V');
        $this->said($job, 'rail +5 5020 sure')->assertCreated();
    }

    public function test_what_the_record_cannot_place_is_kept_as_an_observation_with_the_doubt(): void
    {
        $job = $this->job();
        $answers = [
            'rail +12 11.9' => 'write loaded, partial or unloaded', 'rail +99 5 loaded' => 'is not known on this board',
            'C99 bulged' => 'there is no capacitor', 'battery sulks' => 'write it as',
        ];
        foreach ($answers as $line => $doubt) {
            self::assertStringContainsString($doubt, (string) json_encode($this->preview($job, $line)['doubt']), $line);
            $id = self::ulid();
            $kept = $this->said($job, $line, $id)->assertCreated();
            self::assertSame(['observation', $line], [$kept->json('entry.kind'), $kept->json('entry.says')]);
            self::assertStringContainsString($doubt, self::text($kept->json('doubt')));
            $this->said($job, $line, $id)->assertOk();
        }
        self::assertSame(count($answers), Entry::query()->where('job_id', $job->id)->count());
        self::assertRefused($this->said($job, 'arrived 7812'), '/line', 'no waiting is open');
    }

    public function test_one_line_of_the_capacitor_walk_is_the_part_and_its_look(): void
    {
        $job = $this->job();
        $line = 'C77 1000u 16V bulged +12';
        $seen = $this->preview($job, $line);
        self::assertStringContainsString('C77 in circuit: bulged (replace', self::text($seen['says']));
        self::assertSame(0, Entry::query()->count(), 'also both of them only in the preview');
        $id = self::ulid();
        $kept = $this->said($job, $line, $id)->assertCreated();
        self::assertIsString($kept->json('also'));
        $this->said($job, $line, $id)->assertOk();
        self::assertSame(
            ['capacitor', 'cap_reading'],
            Entry::query()->orderBy('received_at')->orderBy('kind')->pluck('kind')->all(),
            'once, however often it is sent',
        );
        self::assertContains('C77', (array) $this->getJson("/api/jobs/{$job->id}/capacitors")->assertOk()->json('to_replace'));
        self::assertSame(['C77 bulged', 'C77 burst'], $this->preview($job, 'C77 bu')['goes_on']);
        self::assertContains('C77', (array) $this->preview($job, 'C7')['goes_on']);
        self::assertContains('rail +12', (array) $this->preview($job, 'rail +1')['goes_on']);
    }

    public function test_memory_of_a_stranger_in_two_lines(): void
    {
        $this->as(Role::Technician)->postJson('/api/intake', ['id' => self::ulid(), 'at' => '2026-03-01T09:00:00Z', 'name' => 'Knot 12'])->assertCreated();
        $job = Job::query()->latest('created_at')->firstOrFail();
        self::assertStringContainsString('draw its rows first', self::text($this->preview($job, 'mem 1A3F 55 51')['doubt']));
        $this->said($job, 'mem rows 2 x 8 4116 U20 at 0')->assertCreated();
        self::assertStringContainsString('falls on U22', self::text($this->preview($job, 'mem 1A3F 55 51')['says']));
        self::assertSame(0, Source::query()->count());
        $kept = $this->said($job, 'mem 1A3F 55 51')->assertCreated();
        self::assertSame('memory', $kept->json('entry.kind'));
        self::assertStringContainsString('U22', self::text($kept->json('entry.says')));
        $this->said($job, 'rails +5 6A, +12 1.5A, -5')->assertCreated();
        $this->said($job, 'rail -5 ohms 0.4')->assertCreated();
        self::assertStringContainsString('short', self::text(json_encode($this->getJson("/api/jobs/{$job->id}")->json('sheet'))));
        $this->said($job, 'bat nicd 3 leaking')->assertCreated();
        $this->said($job, 'leak slot 3 bracket 4')->assertCreated();
        self::assertSame('slot 3 bracket', $this->getJson("/api/jobs/{$job->id}/corrosion")->assertOk()->json('places.0.place'));
    }

    /** @return list<string> */
    private function loads(Job $job): array
    {
        return array_values(Entry::query()->where('job_id', $job->id)->where('kind', 'reading')->orderBy('received_at')->get()
            ->map(static fn (Entry $it): string => self::text(json_decode((string) $it->getRawOriginal('data'), true)['load'] ?? null))->all());
    }
}
