<?php

declare(strict_types=1);

namespace Tests\Http;

use App\Instruments\Meter;
use App\Logbook\Entry;
use App\Logbook\Machine;
use App\Logbook\SaveProfile;
use App\People\Role;
use App\Rails\StoredReading;
use Ash\Rails\DescribedRails;
use Ash\Rails\ReadingTaken;
use Ash\Rails\RunPlan;
use Illuminate\Testing\TestResponse;
use PHPUnit\Framework\Attributes\DataProvider;

/** Meters over SCPI, against the stand-in as a process of its own. */
final class MeterTest extends TestCase
{
    private ?StandIn $standIn = null;

    protected function setUp(): void
    {
        parent::setUp();
        // One person presses here as often as a whole workshop would.
        config(['app.rate_per_minute' => 100_000]);
    }

    protected function tearDown(): void
    {
        $this->standIn?->stop();
        parent::tearDown();
    }

    private function meterOn(string $scene): Meter
    {
        $this->standIn?->stop();
        $this->standIn = StandIn::start($scene);
        config(['instruments.standin.port' => $this->standIn->port, 'instruments.answer_timeout' => 0.4, 'instruments.busy_timeout' => 1]);

        return self::meter($this->standIn->port);
    }

    /** @return TestResponse<\Symfony\Component\HttpFoundation\Response> */
    private function take(
        string $run,
        Meter $meter,
        string $rail,
        string $point,
        string $load = 'working',
        string $what = 'volts',
        ?string $id = null,
        bool $sure = true,
    ): TestResponse {
        return $this->as(Role::Technician)->postJson(
            "/api/rail-runs/{$run}/take",
            [
                'id' => $id ?? self::ulid(),
                'at' => '2026-03-01T11:00:00Z',
                'meter' => $meter->id,
                'rail' => $rail,
                'test_point' => $point,
                'load' => $load,
                'what' => $what,
                ...($sure ? ['sure' => true] : []),
            ],
        );
    }

    /** A person with probes: every supply output at both loads, resistance to ground, then the chip end of every rail. */
    private function probeEverything(Machine $machine, string $run, Meter $meter): void
    {
        $described = $machine->readProfile()->section(DescribedRails::class) ?? throw new \LogicException();
        foreach (RunPlan::of($described->rails, $described->testPoints)->steps as ['rail' => $rail, 'point' => $point]) {
            if ($point->point?->value === 'supply') {
                $this->take($run, $meter, $rail->name, $point->name, 'none', 'ohms')->assertOk();
                $this->take($run, $meter, $rail->name, $point->name, 'none')->assertOk();
            }
            if ($point->point !== null) {
                $this->take($run, $meter, $rail->name, $point->name)->assertOk();
            }
        }
    }

    /** @return array<string, array{list<string>, string}> cause codes that a scene must bring out, and the power-on advice */
    public static function scenes(): array
    {
        return [
            'sound' => [[], 'ok'],
            'weak-plus12' => [['low_with_ripple'], 'hold'],
            'ripple-plus12' => [['ripple_high'], 'hold'],
            'sag-plus5' => [['sags_under_load'], 'hold'],
            'shorted-plus5' => [['shorted_rail'], 'stop'],
            'open-fuse-plus12' => [['open_path'], 'hold'],
            'drop-plus5' => [['drop_in_path'], 'hold'],
            'high-plus5' => [['over_voltage'], 'stop'],
            'bias-missing' => [['bias_missing'], 'stop'],
            'reversed-bias' => [['reversed'], 'stop'],
            'all-low' => [['all_scaled'], 'hold'],
            'dead' => [['all_absent', 'bias_missing'], 'stop'],
            'exchanged' => [['exchanged'], 'stop'],
            'dead-plus12' => [['dead_output'], 'hold'],
            'weak-alone' => [['weak_output'], 'hold'],
            'several-weak' => [['several_weak'], 'hold'],
            'unsteady-plus5' => [['unsteady'], 'hold'],
            'leaky-plus5' => [['low_resistance'], 'hold'],
            'standby-only' => [['standby_only'], 'hold'],
        ];
    }

    /** @param list<string> $codes */
    #[DataProvider('scenes')]
    public function test_every_cause_comes_out_of_a_scene_and_none_of_a_sound_one(array $codes, string $advice): void
    {
        $scene = (string) $this->dataName();
        $machine = $scene === 'standby-only' ? self::bittern() : self::machine();
        $job = $this->job($machine->slug);
        if ($scene === 'leaky-plus5') {
            $this->aGoodBoard();
        }
        $run = $this->railRun($job);
        $meter = $this->meterOn($scene);
        $this->probeEverything($machine, $run, $meter);
        $scene === 'unsteady-plus5' && $this->take($run, $meter, '+5', 'regulator U51 out')->assertOk();
        $page = $this->as(Role::Viewer)->getJson("/api/rail-runs/{$run}");
        $found = array_column((array) $page->json('causes'), 'code');
        self::assertSame([], array_diff($codes, $found), "{$scene}: ".implode(', ', $found));
        self::assertSame($advice, $page->json('power_on'));
        if ($codes === []) {
            self::assertSame([], $found);
        }
    }

    /** What a good board of the dome controller has to ground is learned from one. */
    private function aGoodBoard(): void
    {
        $job = $this->job();
        $run = $this->railRun($job);
        foreach ([['-5', 'zener D4', 2200], ['+5', 'regulator U51 out', 95.2], ['+12', 'regulator U52 out', 180]] as [$rail, $point, $ohms]) {
            $data = ['run' => $run, 'rail' => $rail, 'test_point' => $point, 'load' => 'none', 'ohms_to_ground' => $ohms, 'lead_ohm' => 0.2];
            $this->add($job, ['kind' => 'reading', 'data' => $data])->assertCreated();
        }
        $this->add($job, ['kind' => 'good_board', 'data' => ['run' => $run]])->assertCreated();
        $rail = self::machine()->refresh()->readProfile()->section(DescribedRails::class)?->rail('+5');
        self::assertSame(95.0, $rail?->ohmsGood);
    }

    /** A machine whose supply waits for a start signal. */
    private static function bittern(): Machine
    {
        $point = static fn (string $name): array => ['test_points' => [['name' => $name, 'point' => 'supply']]];

        return SaveProfile::asNew(json_encode([
            'format' => 'ash-bench/machine-profile/1', 'slug' => 'bittern', 'name' => 'Bittern', 'kind' => 'soft start',
            'boards' => [['key' => 'main', 'name' => 'Main board']],
            'rails' => [
                ['name' => '+5 standby', 'nominal_v' => 5, 'standby' => true, ...$point('pin 9')],
                ['name' => '+5', 'nominal_v' => 5, 'ripple_max_mvpp' => 50, ...$point('pin 4')],
                ['name' => '+12', 'nominal_v' => 12, ...$point('pin 10')],
            ],
        ], JSON_THROW_ON_ERROR), 'Test');
    }

    /** A slip of the unit (common practice, no source) and a reading that belongs to another rail are asked back; nothing is kept until somebody is sure. */
    public function test_a_reading_is_asked_back_before_it_is_kept(): void
    {
        $job = $this->job();
        $run = $this->railRun($job);
        $plus5 = ['rail' => '+5', 'point' => 'regulator U51 out'];
        self::assertRefused($this->reading($job, $run, ...$plus5, volts: 5020), '/data/sure', '5.02 V on +5? 5020 was said');
        self::assertRefused($this->reading($job, $run, ...$plus5, volts: 5.02, more: ['ripple_mvpp' => 0.03]), '/data/sure', '30 mVpp on +5?');
        self::assertRefused($this->reading($job, $run, ...$plus5, volts: 12.01), '/data/sure', 'was this +12?');
        self::assertSame(0, Entry::query()->where('job_id', $job->id)->count());
        $this->reading($job, $run, ...$plus5, volts: 9.5)->assertCreated();
        $kept = $this->reading($job, $run, ...$plus5, volts: 12.01, more: ['sure' => true])->assertCreated();
        self::assertStringContainsString('asked back, stands', self::text($kept->json('entry.says')));
        $meter = $this->meterOn('exchanged');
        self::assertRefused($this->take($run, $meter, ...$plus5, sure: false), '/data/sure', 'was this +12?');
        $this->take($run, $meter, ...$plus5)->assertOk();
    }

    /** The load is chosen and never preset; readings before a change do not count; a shorted rail is walked, and is no good board. */
    public function test_a_run_knows_its_load_its_changes_and_where_a_short_is_nearest(): void
    {
        $job = $this->job();
        $run = $this->railRun($job);
        $page = fn (string $query = ''): array => (array) $this->as(Role::Viewer)->getJson("/api/rail-runs/{$run}{$query}")->assertOk()->json();
        self::assertNull($page()['load']);
        $this->reading($job, $run, '+12', 'regulator U52 out', 15.9)->assertCreated();
        self::assertSame(['working', 'stop'], [$page()['load'], $page()['power_on']]);
        $this->reading($job, $run, '+12', 'regulator U52 out', 12.0, more: ['changed' => true])->assertCreated();
        self::assertNotContains('over_voltage', array_column((array) $page()['causes'], 'code'));
        self::assertRefused($this->add($job, ['kind' => 'good_board', 'data' => ['run' => $run]]), '/data/run', 'no resistance');

        foreach (['regulator U51 out' => 0.41, 'connector J1 pin 3' => 0.39, 'U1 pin 11' => 0.35] as $point => $ohms) {
            $ohm = ['run' => $run, 'rail' => '+5', 'test_point' => $point, 'load' => 'none', 'ohms_to_ground' => $ohms, 'lead_ohm' => 0.3];
            $this->add($job, ['kind' => 'reading', 'data' => $ohm])->assertCreated();
            $live = (array) $page('?load=none&what=ohms')['live'];
            self::assertSame($point === 'U1 pin 11' ? '-5|zener D4' : '+5', substr(self::text($live['key']), 0, $point === 'U1 pin 11' ? 11 : 2));
        }
        self::assertSame(['+5 is lowest at U1 pin 11, 50 mΩ: the short is nearest there; lift what hangs there, one part at a time'], $page()['shorts']);
        self::assertRefused($this->add($job, ['kind' => 'good_board', 'data' => ['run' => $run]]), '/data/run', 'shorted rail is no good board: +5');
        self::assertRefused(
            $this->add(
                $job,
                [
                    'kind' => 'reading',
                    'data' => ['run' => $run, 'rail' => '+5', 'test_point' => 'U1 pin 11', 'load' => 'none', 'volts' => 5, 'lead_ohm' => 0.3],
                ],
            ),
            '/data/lead_ohm',
        );
    }

    public function test_discharge_and_logic_level_are_told_as_they_are_typed(): void
    {
        $told = $this->as(Role::Viewer)->getJson('/api/rails/discharge?capacitance=220u&start=325&resistor=2k2')->assertOk();
        self::assertSame(['care', 'With care: 818 ms, then measure'], [$told->json('tone'), $told->json('says')]);
        $told = $this->getJson('/api/rails/discharge?capacitance=220u&start=325&resistor=2k2&rated=250')->assertOk();
        self::assertSame('Not with this resistor', $told->json('says'));
        self::assertRefused($this->getJson('/api/rails/discharge?capacitance=0&start=325&resistor=2k2'), '/capacitance');
        $told = $this->getJson('/api/rails/level?family=ttl&supply=5&volts=1.5')->assertOk();
        self::assertSame(['care', 'undefined, may be moving'], [$told->json('tone'), $told->json('says')]);
        self::assertSame('above the supply', $this->getJson('/api/rails/level?family=cmos&supply=5&volts=5,4')->assertOk()->json('says'));
        self::assertRefused($this->getJson('/api/rails/level?family=ecl&supply=5&volts=1'), '/family');
    }

    /** @return array<string, array{string}> state by scene */
    public static function misbehaviours(): array
    {
        return [
            'meter-silent' => ['timeout'],
            'meter-drops' => ['dropped'],
            'meter-garbled' => ['wrong_answer'],
            'meter-busy' => ['busy'],
            'meter-error' => ['device_error'],
            'meter-overload' => ['overload'],
        ];
    }

    #[DataProvider('misbehaviours')]
    public function test_whatever_the_meter_does_becomes_a_state_and_never_a_number(string $state): void
    {
        $job = $this->job();
        $run = $this->railRun($job);
        $meter = $this->meterOn((string) $this->dataName());
        $taken = $this->take($run, $meter, '+12', 'regulator U52 out')->assertOk();
        self::assertSame($state, $taken->json('state'));
        self::assertNotSame('', $taken->json('words'));
        self::assertSame(0, Entry::query()->where('job_id', $job->id)->count());
        self::assertSame('reading', $this->take($run, $meter, '+5', 'regulator U51 out')->json('state'), 'the other rails still read');
    }

    public function test_a_meter_that_is_not_there_and_one_that_someone_else_uses(): void
    {
        $job = $this->job();
        $run = $this->railRun($job);
        $meter = $this->meterOn('sound');
        $this->standIn?->stop();
        $this->standIn = null;
        self::assertSame('unreachable', $this->take($run, $meter, '+5', 'regulator U51 out')->json('state'));
        $this->standIn = StandIn::start();
        config(['instruments.standin.port' => $this->standIn->port]);
        $lock = cache()->lock("meter:{$meter->id}", 10);
        self::assertTrue($lock->get());
        self::assertSame('busy', $this->take($run, $meter, '+5', 'regulator U51 out')->json('state'));
        $lock->release();
        self::assertSame('reading', $this->take($run, $meter, '+5', 'regulator U51 out')->json('state'));
    }

    public function test_asked_twice_with_one_identifier_it_is_taken_once(): void
    {
        $job = $this->job();
        $run = $this->railRun($job);
        $meter = $this->meterOn('sound');
        $id = self::ulid();
        $this->take($run, $meter, '+5', 'regulator U51 out', id: $id)->assertOk();
        $again = $this->take($run, $meter, '+5', 'regulator U51 out', id: $id)->assertOk();
        self::assertSame(['reading', 'was taken before'], [$again->json('state'), $again->json('words')]);
        self::assertSame(1, StoredReading::query()->where('run_id', $run)->count());
        self::assertRefused($this->take($this->railRun($this->job()), $meter, '+5', 'regulator U51 out', id: $id), '/id', 'another entry', 409);
    }

    public function test_a_reading_on_its_way_is_checked_against_the_profile(): void
    {
        $run = $this->railRun($this->job());
        $meter = $this->meterOn('sound');
        self::assertRefused($this->take($run, $meter, '+9', 'x'), '/rail');
        self::assertRefused($this->take($run, $meter, '+5', 'x'), '/test_point');
        self::assertRefused($this->take($run, $meter, '+5', 'regulator U51 out', 'heavy'), '/load');
        self::assertRefused($this->take($run, $meter, '+5', 'regulator U51 out', what: 'watts'), '/what');
        $meter->update(['active' => false]);
        self::assertRefused($this->take($run, $meter, '+5', 'regulator U51 out'), '/meter', 'put away');
    }

    public function test_ripple_is_computed_from_ac_volts_and_the_record_says_so(): void
    {
        $job = $this->job();
        $this->take($this->railRun($job), $this->meterOn('ripple-plus12'), '+12', 'regulator U52 out')->assertOk();
        $entry = Entry::query()->where('job_id', $job->id)->firstOrFail();
        self::assertSame('rms', $entry->as(ReadingTaken::class)?->rippleFrom?->value);
        // The scene gives 260 mVpp; the meter shows its RMS with noise.
        self::assertEqualsWithDelta(260, $entry->as(ReadingTaken::class)->rippleMvpp, 3);
    }

    public function test_the_stand_in_answers_the_common_commands_and_repeats_itself_from_a_seed(): void
    {
        $ask = ['SIM:PROBE "+5","regulator U51 out","working"', 'MEAS:VOLT:DC?', 'MEASure:VOLTage:AC?', 'MEAS:RES?', 'MEAS:CAP?', 'MEAS:FREQ?', 'SYST:ERR?'];
        [$one, $other, $third] = array_map(static function (int $seed) use ($ask): array {
            $standIn = StandIn::start('sound', $seed);
            $said = $standIn->talk(...$ask);
            $standIn->stop();

            return $said;
        }, [7, 7, 8]);
        self::assertSame($one, $other);
        self::assertNotSame($one, $third);
        // 5.06 V behind 12 milliohm at 4 A is 5.012 V; the noise is 2 mV.
        self::assertEqualsWithDelta(5.012, (float) $one[0], 0.012);
        self::assertMatchesRegularExpression('/^[+-]\d\.\d{8}E[+-]\d+$/', $one[0]);
        self::assertEqualsWithDelta([95, 4.7e-3, 100], [(float) $one[2], (float) $one[3], (float) $one[4]], 0.1);
        self::assertSame('0,"No error"', $one[5]);
        $this->standIn = StandIn::start();
        self::assertSame(
            ['Ash Bench,stand-in bench meter,0,1', '1', '-113,"Undefined header"', '+9.90000000E+37'],
            $this->standIn->talk('*IDN?', '*OPC?', 'FOO:BAR', 'SYST:ERR?', '*CLS', 'MEAS:VOLT:DC?'),
        );
    }

    public function test_capacitance_and_frequency_are_asked_for_in_one_conversation(): void
    {
        $meter = $this->meterOn('sound');
        $answers = (new \App\Instruments\ScpiMeter($meter))->measure(
            [\App\Instruments\Quantity::Farads, \App\Instruments\Quantity::Hertz, \App\Instruments\Quantity::Ohms],
            [\App\Instruments\Scene::probe('+5', 'regulator U51 out', 'none')],
        );
        self::assertEqualsWithDelta([4.7e-3, 100.0, 95.0], array_map(static fn ($it): ?float => $it->value, $answers), 0.1);
        self::assertEqualsWithDelta(4.7e-3, $answers[0]->value, 1e-6);
    }

    public function test_a_lead_sets_meters_up_and_only_private_addresses_are_taken(): void
    {
        $body = ['name' => 'Bench 2', 'host' => '192.168.1.20', 'port' => 5025, 'reading_pct' => 0.05, 'counts' => 3, 'resolution_v' => 0.0001];
        $id = self::text($this->as(Role::Lead)->postJson('/api/meters', $body)->assertCreated()->json('id'));
        foreach (['8.8.8.8', '169.254.1.1', '0.0.0.0', 'meter.local', '127.0.0.1.example', '224.0.0.1', '::2', '172.32.0.1', ''] as $host) {
            self::assertRefused($this->as(Role::Lead)->putJson("/api/meters/{$id}", [...$body, 'host' => $host]), '/host');
        }
        foreach (['10.1.2.3', '172.16.0.9', '::1', 'fd00::7'] as $host) {
            $this->as(Role::Lead)->putJson("/api/meters/{$id}", [...$body, 'host' => $host])->assertOk();
        }
        self::assertRefused($this->as(Role::Lead)->postJson('/api/meters', $body), '/name', 'already');
        self::assertRefused($this->as(Role::Lead)->putJson("/api/meters/{$id}", [...$body, 'port' => 0]), '/port');
        self::assertRefused($this->as(Role::Lead)->putJson("/api/meters/{$id}", [...$body, 'counts' => '3']), '/counts');
        foreach (['MEAS:CAP', '*RST', 'MEAS:CAP?;*RST', "MEAS:CAP?\nOUTP ON", 'MEAS:CAP? @1', str_repeat('A', 61).'?', 7] as $query) {
            self::assertRefused($this->as(Role::Lead)->putJson("/api/meters/{$id}", [...$body, 'esr_query' => $query]), '/esr_query');
        }
        self::assertRefused($this->as(Role::Lead)->putJson("/api/meters/{$id}", [...$body, 'loss_hz' => 2e6]), '/loss_hz');
        $this
            ->as(Role::Lead)
            ->putJson("/api/meters/{$id}", [...$body, 'esr_query' => ':MEAS:LOSS? 120,2', 'tan_delta_query' => '', 'loss_hz' => 120])
            ->assertOk()
            ->assertJsonPath('esr_query', ':MEAS:LOSS? 120,2')
            ->assertJsonPath('tan_delta_query', null);
        $this->as(Role::Lead)->putJson("/api/meters/{$id}", $body)->assertOk()->assertJsonPath('loss_hz', 120);
        $meter = $this->meterOn('sound');
        self::assertStringContainsString('stand-in bench meter', self::text($this->as(Role::Lead)->postJson("/api/meters/{$meter->id}/check")->json('words')));
        self::assertRefused($this->as(Role::Technician)->putJson("/api/meters/{$meter->id}/scene", ['scene' => 'holiday']), '/scene', 'must be one of');
        self::assertSame('dead', $this->as(Role::Technician)->putJson("/api/meters/{$meter->id}/scene", ['scene' => 'dead'])->json('scene'));
    }
}
