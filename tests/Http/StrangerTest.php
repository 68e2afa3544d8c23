<?php

declare(strict_types=1);

namespace Tests\Http;

use App\Logbook\Entry;
use App\Logbook\Job;
use App\Logbook\Kind;
use App\Logbook\Machine;
use App\People\Role;
use Ash\Rails\DescribedRails;
use Illuminate\Support\Facades\DB;
use Illuminate\Testing\TestResponse;

/** A machine that nobody has described: taken in with one line, measured at once, and its kind knows more afterwards. */
final class StrangerTest extends TestCase
{
    /**
     * @param array<string, mixed> $body
     *
     * @return TestResponse<\Symfony\Component\HttpFoundation\Response>
     */
    private function takeIn(array $body): TestResponse
    {
        return $this->as(Role::Technician)->postJson('/api/intake', ['id' => self::ulid(), 'at' => '2026-03-01T09:00:00Z', ...$body]);
    }

    /** @return array<string, mixed> */
    private function understood(string $line): array
    {
        return (array) $this->as(Role::Technician)->postJson('/api/intake/read', ['line' => $line])->assertOk()->json();
    }

    public function test_one_line_is_taken_apart_and_known_machines_are_offered(): void
    {
        self::machine();
        $read = $this->understood('Gannet 4 plotter #G-77, from the survey group, pen stays up, smells warm');
        self::assertSame(
            ['Gannet 4 plotter', 'G-77', 'the survey group', 'pen stays up, smells warm'],
            [$read['machine'], $read['serial'], $read['owner'], $read['symptom']],
        );
        self::assertSame([[], null], [$read['machines'], $read['meant']]);
        self::assertSame(self::machine()->id, $this->understood('dunlin, dark')['meant'], 'the only one that begins so');
        self::assertSame(self::machine()->id, $this->understood('DUNLIN 8 DOME CONTROLLER')['meant']);
        self::assertNull($this->understood('Dunlin 8 dome controller #99')['meant'], 'another serial is another machine');
        self::assertSame('', $this->understood(', , ')['machine']);
        self::assertFalse($this->understood('Dunlin 8 dome controller')['ambiguous']);
        $this->takeIn(['kind' => self::machine()->kind_id])->assertCreated();
        $read = $this->understood('Dunlin 8 dome controller, dark');
        self::assertSame([true, null, 2], [$read['ambiguous'], $read['meant'], count((array) $read['machines'])], 'two are called so: somebody must choose');
        $this->as(Role::Viewer)->postJson('/api/intake', ['id' => self::ulid(), 'at' => '2026-03-01T09:00:00Z', 'name' => 'x'])->assertForbidden();
    }

    public function test_only_a_name_is_needed_and_it_is_stored_once(): void
    {
        $id = self::ulid();
        self::assertRefused($this->takeIn([]), '/name', 'what it is');
        self::assertRefused($this->takeIn(['name' => '  ']), '/name');
        self::assertRefused($this->takeIn(['machine' => self::ulid()]), '/machine');
        self::assertRefused($this->takeIn(['name' => 'x', 'kind' => self::ulid()]), '/kind');
        self::assertRefused($this->takeIn(['name' => 'x', 'at' => '2999-01-01T00:00:00Z']), '/at');
        $before = [Kind::query()->count(), Machine::query()->count(), Job::query()->count()];
        $this->takeIn(['id' => $id, 'name' => 'Gannet 4 plotter', 'symptom' => 'pen stays up'])->assertCreated()->assertJsonPath('title', 'pen stays up');
        $this->takeIn(['id' => $id, 'name' => 'Gannet 4 plotter', 'symptom' => 'pen stays up'])->assertOk();
        self::assertRefused($this->takeIn(['id' => $id, 'name' => 'Gannet 4 plotter', 'symptom' => 'another']), '/id', '', 409);
        self::assertSame([$before[0] + 1, $before[1] + 1, $before[2] + 1], [Kind::query()->count(), Machine::query()->count(), Job::query()->count()]);
        self::assertSame(1, Entry::query()->where('job_id', $id)->where('kind', 'symptom')->count());

        // The same name again without choosing the known one is another kind; one of a known kind is a specimen of its own.
        $this->takeIn(['name' => 'Gannet 4 plotter'])->assertCreated();
        self::assertSame(['gannet-4-plotter', 'gannet-4-plotter-2'], Kind::query()->where('name', 'Gannet 4 plotter')->orderBy('slug')->pluck('slug')->all());
        $kind = Kind::query()->where('slug', 'gannet-4-plotter')->firstOrFail();
        $second = self::text($this
            ->takeIn(['kind' => $kind->id, 'name' => 'Gannet of the annexe', 'serial' => 'G-2', 'owner' => 'Annexe'])
            ->assertCreated()
            ->json('machine_id'));
        self::assertRefused($this->takeIn(['kind' => $kind->id, 'serial' => 'G-2']), '/serial', 'known: choose it');
        $page = (array) $this->getJson("/api/kinds/{$kind->id}")->assertOk()->json();
        self::assertSame(['Gannet 4 plotter', 'Gannet of the annexe'], array_column((array) $page['machines'], 'name'));
        self::assertSame('G-2', Machine::query()->findOrFail($second)->serial);
        self::assertContains('gannet-4-plotter', array_column((array) $this->getJson('/api/kinds?search=gannet')->assertOk()->json(), 'slug'));
    }

    public function test_rails_come_from_a_label_or_a_family_and_say_so_and_what_is_found_is_learned_for_the_next_specimen(): void
    {
        $job = Job::query()->findOrFail(self::text($this->takeIn(['name' => 'Gannet 4 plotter'])->assertCreated()->json('id')));
        $run = $this->railRun($job);
        $page = fn (): array => (array) $this->as(Role::Viewer)->getJson("/api/rail-runs/{$run}")->assertOk()->json();
        self::assertSame([], $page()['steps']);
        $families = array_column((array) $this->getJson('/api/rails/families')->assertOk()->json(), 'rails', 'id');
        self::assertSame(['+5, +12, -5, -12', ''], [$families['desktop-at'], $families['monitor']]);
        $parts = (array) $this->getJson('/api/rails/label?'.http_build_query(['line' => '+5 6A, blue, +12 1,5A, +5']))->assertOk()->json();
        self::assertSame([null, 'is no rail: write +12 1.5A', null, 'is there already'], array_column($parts, 'wrong'));

        $say = fn (array $data): TestResponse => $this->add($job, ['kind' => 'rails_said', 'data' => $data]);
        self::assertRefused($say([]), '/data');
        self::assertRefused($say(['family' => 'desktop-at', 'label' => '+5']), '/data');
        self::assertRefused($say(['family' => 'monitor']), '/data/family', 'only by its label');
        self::assertRefused($say(['label' => 'blue']), '/data/label', 'no rail that can be read');
        $say(['family' => 'desktop-at'])->assertCreated();
        self::assertSame(['family: desktop-at, not measured, not from a sheet'], array_values(array_unique(array_column((array) $page()['steps'], 'source'))));
        $this->reading($job, $run, '+5', 'supply output', 5.03)->assertCreated();

        // A place is named while it is live; the label is found and beats the family; the reading stays.
        self::assertRefused($this->add($job, ['kind' => 'point_named', 'data' => ['rail' => '+9', 'name' => 'J1 pin 3']]), '/data/rail');
        $this->add($job, ['kind' => 'point_named', 'data' => ['rail' => '+5', 'name' => 'J1 pin 3', 'point' => 'board']])->assertCreated();
        $this->reading($job, $run, '+5', 'J1 pin 3', 4.99)->assertCreated();
        $say(['label' => '+5 6A, +12 1.5A'])->assertCreated();
        $steps = (array) $page()['steps'];
        self::assertSame(['+5|supply output', '+5|J1 pin 3', '+12|supply output'], array_column($steps, 'key'));
        self::assertSame(['5.03 V', '4.99 V', null], array_map(static fn (array $it): ?string => $it['reading']['volts'] ?? null, $steps));
        self::assertSame('from the label', $this->getJson("/api/rail-runs/{$run}")->json('steps.0.source'));
        $machine = Machine::query()->findOrFail($job->machine_id);
        self::assertSame(2, count($machine->readProfile()->section(DescribedRails::class)->budget->rails ?? []), 'its amperes are the budget');

        $kind = (array) $this->getJson("/api/kinds/{$machine->kind_id}")->assertOk()->json();
        self::assertSame(
            ['J-'.str_pad((string) $job->number, 4, '0', STR_PAD_LEFT)],
            array_values(array_unique(array_filter(array_column((array) $kind['lessons'], 'job_label')))),
        );
        self::assertContains('Rail +5: 4.75 V to 5.25 V, probed at supply output, J1 pin 3 (from the label)', (array) $kind['known']);
        $other = Job::query()->findOrFail(self::text($this->takeIn(['kind' => $machine->kind_id, 'name' => 'Gannet two'])->assertCreated()->json('id')));
        $keys = array_column((array) $this->getJson('/api/rail-runs/'.$this->railRun($other))->json('steps'), 'key');
        self::assertContains('+5|J1 pin 3', $keys, 'two specimens share what is learned');
    }

    public function test_rows_of_chips_become_sockets_and_errors_find_their_chip(): void
    {
        $job = Job::query()->findOrFail(self::text($this->takeIn(['name' => 'Gannet 4 plotter'])->assertCreated()->json('id')));
        self::assertNull($this->as(Role::Viewer)->getJson("/api/jobs/{$job->id}/memory")->assertOk()->json('sockets'));
        $draft = $this->getJson('/api/memory/line?'.http_build_query(['line' => '2 x 8 4116 U20 at 0']))->assertOk();
        self::assertStringContainsString('2 banks of 16384 words x 8', self::text($draft->json('words')));
        self::assertRefused($this->getJson('/api/memory/line?line=rows'), '/line', 'write 2 x 8 4116 U20 at 0');
        self::assertRefused($this->add($job, ['kind' => 'memory_said', 'data' => ['line' => '8 9999']]), '/data/line', '9999 is no chip of the list');
        $this->add($job, ['kind' => 'memory_said', 'data' => ['line' => '2 x 8 4116 U20 at 0']])->assertCreated();
        $read = $this->postJson(
            "/api/jobs/{$job->id}/memory-sources",
            ['id' => self::ulid(), 'map' => 'main', 'text' => "4012 FF FB\n5ABC FF FB\n7FFF 04 00"],
        )->assertCreated();
        self::assertSame('chip U30', $read->json('located.suspects.0.called'), 'bit 2 of the second row');
        $this->add($job, ['kind' => 'memory_said', 'data' => ['line' => '2 x 9 4116 M1 at 0']])->assertCreated();
        $maps = (array) $this->getJson("/api/jobs/{$job->id}/memory")->json('maps');
        self::assertCount(1, $maps, 'the same memory said anew');
    }

    public function test_a_clock_circuit_is_a_family_until_somebody_knows_better(): void
    {
        $job = Job::query()->findOrFail(self::text($this->takeIn(['name' => 'Gannet 4 plotter'])->assertCreated()->json('id')));
        $page = fn (): array => (array) $this->as(Role::Viewer)->getJson("/api/jobs/{$job->id}/battery")->assertOk()->json();
        self::assertSame(['', null], [$page()['board']['retention_min_v'], $page()['source']]);
        self::assertSame(
            ['keeps' => '2.4', 'standby' => '5u'],
            ['keeps' => $page()['circuits'][1]['numbers']['retention_min_v'], 'standby' => $page()['circuits'][1]['numbers']['standby_a']],
        );
        $say = fn (array $data): TestResponse => $this->add($job, ['kind' => 'clock_kind', 'data' => $data]);
        self::assertRefused($say(['circuit' => 'sundial']), '/data/circuit');
        self::assertRefused($say(['circuit' => 'serial-clock', 'supply_v' => 5]), '/data/series_ohm', 'is missing');
        $say(['circuit' => 'module-with-cell'])->assertCreated();
        self::assertNull($page()['source'], 'its cell cannot be changed: nothing is reckoned');
        $say(['circuit' => 'static-ram', 'chips' => 4])->assertCreated();
        self::assertSame(['400u', 'family: static-ram, not measured, not from a sheet'], [$page()['board']['standby_a'], $page()['source']]);
        $say(['circuit' => 'serial-clock', 'supply_v' => 5, 'series_ohm' => '470'])->assertCreated();
        self::assertSame(['2u', '470'], [$page()['board']['standby_a'], $page()['board']['series_ohm']]);
        $whimbrel = $this->job('whimbrel');
        $this->add($whimbrel, ['kind' => 'clock_kind', 'data' => ['circuit' => 'static-ram']])->assertCreated();
        self::assertSame('10u', $this->getJson("/api/jobs/{$whimbrel->id}/battery")->json('board.standby_a'), 'what is described stays');
    }

    public function test_a_mistaken_intake_stays_in_the_record_and_leaves_the_lists(): void
    {
        $id = self::text($this->takeIn(['name' => 'Gannet 4 plotter', 'symptom' => 'dark'])->assertCreated()->json('id'));
        $job = Job::query()->findOrFail($id);
        $listed = fn (string $query = ''): bool => in_array(
            $id,
            array_column((array) $this->getJson("/api/jobs{$query}")->assertOk()->json('jobs'), 'id'),
            true,
        );
        self::assertTrue($listed());
        $pulse = fn (): int => (int) $this->getJson("/api/jobs/{$id}/pulse")->assertOk()->json('version');
        $before = $pulse();
        self::assertRefused($this->add($job, ['kind' => 'voided']), '/text');
        $this->add($job, ['kind' => 'voided', 'text' => 'it was the one next to it'])->assertCreated();
        self::assertSame($before + 1, $pulse(), 'other screens are told');
        self::assertSame([false, false, true], [$listed(), $listed('?state=open'), $listed('?state=void')]);
        self::assertNotContains($id, array_column((array) $this->getJson('/api/bench')->json('jobs'), 'id'));
        self::assertRefused($this->add($job, ['line' => 'saw dust']), '/kind', 'reopen it first');
        $this->add($job, ['kind' => 'reopened', 'text' => 'it was right'])->assertCreated();
        self::assertTrue($listed('?state=open'));
        $this->getJson('/api/jobs/'.self::ulid().'/pulse')->assertNotFound();
    }

    /** From profiles to kinds, as an installation from before would be: identifiers stay, nothing is lost, and it can be done twice. */
    public function test_the_kind_of_a_machine_keeps_every_revision(): void
    {
        $machine = self::machine();
        $document = json_decode($machine->described->profile, true);
        $this->as(Role::Lead)->putJson("/api/machines/{$machine->id}/profile", [...$document, 'kind' => 'said better'])->assertOk();
        self::assertSame([1, 2], DB::table('kind_profiles')->where('kind_id', $machine->kind_id)->orderBy('revision')->pluck('revision')->all());
        $lessons = (array) $this->getJson("/api/kinds/{$machine->kind_id}")->json('lessons');
        self::assertSame([['kind'], []], array_column($lessons, 'changed'));
    }
}
