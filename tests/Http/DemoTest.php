<?php

declare(strict_types=1);

namespace Tests\Http;

use App\Logbook\Board;
use App\Logbook\Entry;
use App\Logbook\Job;
use App\Logbook\Machine;
use App\People\Person;
use App\People\Role;
use Database\Seeders\DemoSeeder;

/** The demo scenario goes in the way every entry goes, and every page of it can be shown. */
final class DemoTest extends TestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        $people = [];
        foreach (['ines' => Role::Lead, 'tomas' => Role::Technician, 'bea' => Role::Technician] as $name => $role) {
            $people[$name] = Person::query()->create([
                'name' => ucfirst($name),
                'email' => "{$name}@demo.example",
                'password' => 'x',
                'role' => $role,
                'active' => true,
            ]);
        }
        DemoSeeder::fill($people, self::meter(8041), self::meter(8042));
    }

    public function test_the_scenario_is_as_large_and_as_varied_as_it_says(): void
    {
        self::assertGreaterThanOrEqual(5, Machine::query()->count());
        self::assertSame(15, Board::query()->count());
        self::assertSame(16, Job::query()->count());
        self::assertEqualsWithDelta(460, Entry::query()->count(), 40);
        $states = Job::query()->pluck('state')->countBy()->all();
        self::assertSame(['closed', 'open', 'parked'], array_keys(collect($states)->sortKeys()->all()));
        self::assertGreaterThanOrEqual(
            3,
            Job::query()->whereIn('outcome', ['fixed', 'fixed_with_limits', 'not_economic'])->pluck('outcome')->unique()->count(),
        );
        $span = Entry::query()->min('at').' '.Entry::query()->max('at');
        self::assertMatchesRegularExpression('/^2024-11.* 2026-11/', $span);
    }

    public function test_the_bench_tells_what_to_do_next_and_what_waits(): void
    {
        $bench = $this->as(Role::Viewer)->getJson('/api/bench')->assertOk();
        $next = collect((array) $bench->json('jobs'))->pluck('next.text', 'title');
        self::assertSame('Test the filter capacitor and the rectifier of +12.', $next['Memory test stops after a cold night']);
        self::assertSame('Repeat the test that failed.', $next['Switch does not hold'], 'what waits hides nothing');
        $waits = Job::query()->where('title', 'Switch does not hold')->firstOrFail()->sheet['waits'];
        self::assertStringStartsWith('Waits for a latching mains switch', self::text(is_array($waits) ? $waits[0]['text'] ?? null : null));
        self::assertSame(
            ['bridged the mains switch so that the log room can go on until the part is here'],
            array_column((array) $bench->json('hazards'), 'text'),
        );
        self::assertSame(
            ['a listing of U19', 'a latching mains switch 6 A', 'an answer, which capacitor it is: grey can beside relay K2, on +12, not known'],
            array_column((array) $bench->json('waiting'), 'text'),
        );
    }

    public function test_every_page_of_it_can_be_shown_printed_and_exported(): void
    {
        foreach (Job::query()->get() as $job) {
            foreach (['', '/memory', '/soak', '/capacitors', '/battery', '/corrosion', '/strip'] as $room) {
                $this->as(Role::Viewer)->getJson("/api/jobs/{$job->id}{$room}")->assertOk();
            }
            $this->as(Role::Viewer)->get("/jobs/{$job->id}/report/sheet")->assertOk()->assertSee($job->label());
        }
        foreach (Board::query()->get() as $board) {
            $this->as(Role::Viewer)->getJson("/api/boards/{$board->id}")->assertOk();
            $this->as(Role::Viewer)->get("/boards/{$board->id}/record.json")->assertOk();
        }
        foreach (Machine::query()->get() as $machine) {
            $this->as(Role::Viewer)->getJson("/api/machines/{$machine->id}")->assertOk();
        }
    }

    public function test_a_boards_record_holds_every_job_and_one_test_point_over_the_years(): void
    {
        $board = self::board(self::machine(), 'main');
        $page = $this->as(Role::Viewer)->getJson("/api/boards/{$board->id}")->assertOk();
        self::assertSame(['Memory test stops after a cold night', 'Dome stops between two windows'], array_column((array) $page->json('jobs'), 'title'));
        self::assertContains('symptom', array_column((array) $page->json('entries'), 'kind'));
        $series = $this->as(Role::Viewer)->getJson(
            "/api/boards/{$board->id}/series?rail=".urlencode('+12').'&test_point='.urlencode('regulator U52 out'),
        )->assertOk();
        $volts = array_column((array) $series->json('points'), 'volts');
        self::assertSame([11.92, 10.86, 11.97, 11.95, 12.03, 11.31], $volts);
        self::assertEqualsWithDelta([11.4, 12.6], [$series->json('low'), $series->json('high')], 1e-9);
        $corrected = $this->as(Role::Viewer)->getJson("/api/boards/{$board->id}/series?rail=".urlencode('+5').'&test_point='.urlencode('connector J1 pin 3'));
        self::assertSame([4.87], array_column((array) $corrected->json('points'), 'volts'), 'the misread one is not among them');
    }

    public function test_a_long_record_is_paged_by_time(): void
    {
        $board = self::board(self::machine('knot-12'), 'core');
        $first = $this->as(Role::Viewer)->getJson("/api/boards/{$board->id}");
        $seen = array_column((array) $first->json('entries'), 'id');
        $before = $first->json('next_before');
        while (is_string($before)) {
            $page = $this->as(Role::Viewer)->getJson("/api/boards/{$board->id}?before={$before}")->assertOk();
            $seen = [...$seen, ...array_column((array) $page->json('entries'), 'id')];
            $before = $page->json('next_before');
        }
        self::assertSame(Entry::query()->where('board_id', $board->id)->orderByDesc('at')->orderByDesc('id')->pluck('id')->all(), $seen);
    }
}
