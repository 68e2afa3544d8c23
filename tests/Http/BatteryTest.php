<?php

declare(strict_types=1);

namespace Tests\Http;

use App\Logbook\Entry;
use App\Logbook\Job;
use App\Logbook\Machine;
use App\People\Role;
use Ash\Batteries\BoardNeeds;

/** Battery, clock, strip-down and rebuild through the API. */
final class BatteryTest extends TestCase
{
    private const FOUND = [
        'state' => 'leaking',
        'chemistry' => 'nicd',
        'cells' => 3,
        'where' => 'left of the plug',
        'positive_towards' => 'the keyboard plug',
        'volts' => '3,8',
    ];
    private const NUMBERS = [
        'retention_min_v' => '2.4',
        'retention_max_v' => '5',
        'standby_a' => '10u',
        'supply_v' => '5',
        'series_ohm' => '470',
        'diode_drop_v' => '0.3',
    ];

    public function test_polarity_is_asked_for_and_must_agree_with_the_record(): void
    {
        $job = $this->job('whimbrel');
        $fit = [
            'kind' => 'battery',
            'data' => [
                'state' => 'fitted',
                'option' => 'alkaline-aa-3',
                'positive_towards' => 'the keyboard plug',
                'blocked' => true,
                'volts' => 4.7,
                'recheck_at' => '2027-03-01T09:00:00Z',
            ],
        ];
        $bare = [...$fit, 'data' => array_diff_key($fit['data'], ['blocked' => 1])];
        self::assertRefused($this->add($job, $bare), '/data/blocked', 'say that the blocking diode is in and measured');
        $lithium = [...$bare, 'data' => [...$bare['data'], 'option' => 'lithium-coin-1', 'volts' => 3.1]];
        self::assertRefused($this->add($job, $lithium), '/data/blocked', 'the blocking diode and the resistor are in and measured');
        self::assertRefused($this->add($job, $fit), '/data/positive_towards', 'no polarity is recorded');
        $this->add($job, ['kind' => 'battery', 'data' => self::FOUND])->assertCreated()->assertJsonPath('entry.data.cell_state', 'charged');
        self::assertRefused($this->add($job, [...$fit, 'data' => array_diff_key($fit['data'], ['positive_towards' => 1])]), '/data/positive_towards');
        self::assertRefused(
            $this->add($job, [...$fit, 'data' => [...$fit['data'], 'positive_towards' => 'the edge']]),
            '/data/positive_towards',
            'turn it round',
        );
        self::assertRefused($this->add($job, ['kind' => 'battery', 'data' => [...self::FOUND, 'cells' => 1]]), '/data/volts', 'are there 3 cells and not 1');
        $this->add($job, $fit)->assertCreated();
        $page = $this->as(Role::Viewer)->getJson("/api/jobs/{$job->id}/battery")->assertOk();
        self::assertSame('the keyboard plug', $page->json('positive_towards'));
        self::assertCount(2, (array) $page->json('notes'));
        $due = $this->as(Role::Viewer)->getJson('/api/bench')->json('due.0');
        self::assertSame(['recheck', '2027-03-01T09:00:00.000Z', false], [$due['kind'] ?? '', $due['due'] ?? '', $due['is_due'] ?? null]);
        $this->add(
            $job,
            [
                ...$fit,
                'data' => [
                    ...$fit['data'],
                    'positive_towards' => 'the edge',
                    'override' => 'the new holder is the other way round',
                    'recheck_at' => '2028-03-01T09:00:00Z',
                ],
            ],
        )->assertCreated();
        self::assertCount(1, (array) $this->as(Role::Viewer)->getJson('/api/bench')->json('due'), 'the new cell ends the re-check of the old one');
    }

    public function test_a_leaking_cell_advises_against_power(): void
    {
        $job = $this->job('whimbrel');
        $this->line($job, 'symptom dead');
        $this->add($job, ['kind' => 'battery', 'data' => self::FOUND])->assertCreated();
        self::assertRefused($this->add($job, ['line' => 'stage first power']), '/data/to', 'Gate 1');
        $this->add($job, ['kind' => 'battery', 'data' => ['state' => 'removed']])->assertCreated();
        self::assertRefused($this->add($job, ['line' => 'stage first power']), '/data/to', 'Gate 2');
    }

    public function test_the_options_are_the_cores_and_numbers_are_read_as_people_write_them(): void
    {
        $job = $this->job('whimbrel');
        self::assertSame(self::NUMBERS, $this->as(Role::Viewer)->getJson("/api/jobs/{$job->id}/battery")->json('board'), 'from the profile');
        $ask = fn (array $numbers) => $this->as(Role::Technician)->postJson("/api/jobs/{$job->id}/battery-options", [...self::NUMBERS, ...$numbers]);
        $options = (array) $ask([])->assertOk()->json();
        $core = (array) $this->as(Role::Technician)->postJson(
            '/api/compute/batteries/options',
            ['board' => ['retention_min_v' => 2.4, 'retention_max_v' => 5, 'standby_a' => 1e-5, 'charge' => ['supply_v' => 5, 'series_ohm' => 470]]],
        )->json();
        self::assertSame(array_column((array) $core['options'], 'verdict', 'id'), array_column($options, 'verdict', 'id'));
        self::assertSame([$core['recommendation']['id']], array_column(array_filter($options, static fn (array $it): bool => $it['recommended']), 'id'));
        self::assertRefused($ask(['retention_max_v' => '2,4']), '/retention_max_v', 'above retention_min_v');
        self::assertRefused($ask(['standby_a' => 'little']), '/standby_a');
        self::assertRefused($ask(['series_ohm' => '']), '/series_ohm', 'come together');
        self::assertRefused($ask(['retention_min_v' => '']), '/retention_min_v', 'missing');
    }

    public function test_a_clock_test_is_started_waits_and_is_judged_when_it_is_read(): void
    {
        $job = $this->job('whimbrel');
        $test = self::text($this
            ->add($job, ['kind' => 'clock', 'data' => ['set_at' => '2026-03-01T10:00:00Z', 'due_at' => '2026-03-08T10:00:00Z']])
            ->assertCreated()
            ->json('entry.id'));
        self::assertTrue($this->as(Role::Viewer)->getJson('/api/bench')->json('due.0.is_due'), 'its time has come');
        $read = ['test' => $test, 'checked_at' => '2026-03-08T10:00:00Z', 'clock_read' => '2026-03-08T09:59:57Z', 'power_off_h' => 160];
        self::assertRefused(
            $this->add($job, ['kind' => 'clock_read', 'data' => [...$read, 'checked_at' => '2026-02-28T10:00:00Z']]),
            '/data/checked_at',
            'later than set_at',
        );
        self::assertRefused($this->add($job, ['kind' => 'clock_read', 'data' => [...$read, 'power_off_h' => 169]]), '/data/power_off_h', 'at most');
        self::assertRefused($this->add($job, ['kind' => 'clock_read', 'data' => [...$read, 'test' => self::ulid()]]), '/data/test', 'not a clock test');
        $answer = $this->add($job, ['kind' => 'clock_read', 'data' => $read])->assertCreated();
        self::assertSame(['kept', -3], [$answer->json('entry.data.verdict'), $answer->json('entry.data.drift_s')]);
        self::assertSame([], $this->as(Role::Viewer)->getJson('/api/bench')->json('due'));
        self::assertRefused($this->add($job, ['kind' => 'clock_read', 'data' => $read]), '/data/test');
    }

    public function test_the_due_list_is_a_calendar_at_a_secret_address_that_can_be_taken_back(): void
    {
        $job = $this->job('whimbrel');
        $this->add($job, ['kind' => 'clock', 'data' => ['set_at' => '2026-03-01T10:00:00+01:00', 'due_at' => '2026-03-08T10:00:00+01:00']])->assertCreated();
        $first = self::text($this->as(Role::Technician)->postJson('/api/calendar')->assertCreated()->json('url'));
        $second = self::text($this->as(Role::Technician)->postJson('/api/calendar')->assertCreated()->json('url'));
        $this->get($first)->assertNotFound();
        $ics = $this->get($second)->assertOk()->assertHeader('Content-Type', 'text/calendar; charset=utf-8');
        $body = (string) $ics->getContent();
        self::assertStringStartsWith("BEGIN:VCALENDAR\r\nVERSION:2.0\r\nPRODID:", $body);
        self::assertStringEndsWith("END:VCALENDAR\r\n", $body);
        // RFC 5545: UTC form of date-time (3.3.5), lines of at most 75 octets (3.1), UID and DTSTAMP in every event (3.6.1).
        self::assertMatchesRegularExpression('/BEGIN:VEVENT\r\nUID:\S+\r\nDTSTAMP:\d{8}T\d{6}Z\r\nDTSTART:20260308T090000Z\r\n/', $body);
        self::assertLessThanOrEqual(75, max(array_map(strlen(...), explode("\r\n", $body))));
        $this->as(Role::Technician)->deleteJson('/api/calendar')->assertNoContent();
        $this->get($second)->assertNotFound();
    }

    private function stripped(): Job
    {
        $job = $this->job('whimbrel');
        $this->line($job, 'out lid; 6 M4x8');
        $this->line($job, 'out card; 2 M3x6; P2 stripe towards the bracket; stuck');

        return $job;
    }

    /** @return array<string, string> entry by what came out */
    private function rows(Job $job): array
    {
        return array_column((array) $this->as(Role::Viewer)->getJson("/api/jobs/{$job->id}/strip")->assertOk()->json('rows'), 'id', 'what');
    }

    public function test_the_rebuild_list_is_reversed_and_the_job_is_not_handed_back_before_it_is_done(): void
    {
        $job = $this->stripped();
        $rows = $this->rows($job);
        self::assertSame(['card', 'lid'], array_keys($rows));
        $close = ['kind' => 'outcome', 'data' => ['outcome' => 'fixed', 'handed_back' => true]];
        self::assertRefused($this->add($job, $close), '/data/outcome', '2 not back in: card, lid');
        $this->add($job, ['kind' => 'rebuilt', 'data' => ['item' => $rows['card']]])->assertCreated();
        self::assertRefused($this->add($job, ['kind' => 'rebuilt', 'data' => ['item' => $rows['card']]]), '/data/item', 'back in already');
        self::assertRefused($this->add($job, ['kind' => 'rebuilt', 'data' => ['item' => self::ulid()]]), '/data/item', 'not an item');
        $short = $this->add($job, ['kind' => 'rebuilt', 'data' => ['item' => $rows['lid'], 'fixings' => '5 M4x8']])->assertCreated();
        self::assertSame(['1 m4x8 left over'], $this->as(Role::Viewer)->getJson("/api/jobs/{$job->id}/strip")->json('open'));
        self::assertRefused($this->add($job, $close), '/data/outcome', '1 m4x8 left over');
        $this->add(
            $job,
            ['kind' => 'rebuilt', 'data' => ['item' => $rows['lid'], 'fixings' => '6 M4x8'], 'corrects' => $short->json('entry.id')],
        )->assertCreated();
        // Nobody looked for a battery, no rail was read: it may go back, with just that as its limits.
        self::assertRefused($this->add($job, $close), '/data/outcome', 'Gate 2');
        $limits = array_column((array) $this->getJson("/api/jobs/{$job->id}/unproven")->assertOk()->json(), 'text');
        $with = static fn (array $limits): array => [
            'kind' => 'outcome',
            'data' => ['outcome' => 'fixed_with_limits', 'handed_back' => true, 'limits' => $limits],
        ];
        self::assertRefused($this->add($job, $with(array_slice($limits, 1))), '/data/limits', 'Gate 1');
        $this->add($job, $with($limits))->assertCreated();
    }

    public function test_connectors_are_learnt_by_the_machines_profile_for_the_next_job(): void
    {
        $job = $this->stripped();
        $machine = Machine::query()->findOrFail($job->machine_id);
        self::assertSame(2, $machine->described->revision);
        self::assertSame(['P2: stripe towards the bracket'], array_map(static fn ($it): string => $it->words(), $machine->readProfile()->connectors));
        $this->line($this->job('whimbrel'), 'out card; 2 M3x6; p2 stripe away from the bracket');
        self::assertSame(
            ['p2: stripe away from the bracket'],
            array_map(static fn ($it): string => $it->words(), $machine->refresh()->readProfile()->connectors),
        );
        self::assertNotNull($machine->readProfile()->section(BoardNeeds::class), 'the rest of the profile stays');
        self::assertSame(['p2: stripe away from the bracket'], $this->as(Role::Viewer)->getJson("/api/jobs/{$job->id}/strip")->json('known'));
    }

    public function test_a_loose_screw_asks_where_it_came_from(): void
    {
        $job = $this->job('whimbrel');
        $this->line($job, 'loose M3x6 under the main board');
        self::assertSame(
            ['where the loose M3x6 under the main board came from'],
            array_column((array) $this->as(Role::Viewer)->getJson("/api/jobs/{$job->id}")->json('open_items'), 'text'),
        );
        $this->line($job, 'arrived loose M3x6');
        self::assertSame(2, Entry::query()->where('job_id', $job->id)->count());
    }
}
