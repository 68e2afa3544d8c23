<?php

declare(strict_types=1);

namespace Tests\Http;

use App\Instruments\Meter;
use App\Logbook\Board;
use App\Logbook\Job;
use App\Logbook\Machine;
use App\Logbook\SaveProfile;
use App\People\Person;
use App\People\Role;
use Illuminate\Foundation\Testing\DatabaseTransactions;
use Illuminate\Foundation\Testing\TestCase as LaravelTestCase;
use Illuminate\Testing\TestResponse;
use Symfony\Component\HttpFoundation\BinaryFileResponse;
use Symfony\Component\Uid\Ulid;

/** HTTP tests against the real database that bin/test starts. Each runs in a transaction that is rolled back. */
abstract class TestCase extends LaravelTestCase
{
    use DatabaseTransactions;

    public function createApplication(): \Illuminate\Foundation\Application
    {
        getenv('ASH_VAR') !== false ?: throw new \RuntimeException('run these with bin/test http');
        /** @var \Illuminate\Foundation\Application $app */
        $app = require __DIR__.'/../../bootstrap/app.php';
        $app->make(\Illuminate\Contracts\Console\Kernel::class)->bootstrap();

        return $app;
    }

    public function call($method, $uri, $parameters = [], $cookies = [], $files = [], $server = [], $content = null)
    {
        $response = parent::call($method, $uri, $parameters, $cookies, $files, $server, $content);
        Described::here()->check($response->baseRequest ?? throw new \LogicException('nothing was asked'), $response->baseResponse);

        return $response;
    }

    protected static function person(Role $role = Role::Technician): Person
    {
        return Person::query()->where('email', "{$role->value}@test.example")->first()
            ?? Person::query()->create([
                'name' => ucfirst($role->value),
                'email' => "{$role->value}@test.example",
                'password' => 'correct-horse-battery',
                'role' => $role,
                'active' => true,
            ]);
    }

    protected function as(Role $role): static
    {
        return $this->actingAs(self::person($role));
    }

    protected static function machine(string $slug = 'dunlin-8'): Machine
    {
        return Machine::query()->where('slug', $slug)->first()
            ?? SaveProfile::asNew((string) file_get_contents(base_path("database/demo/machines/{$slug}.json")), 'Test');
    }

    protected static function board(Machine $machine, string $slot): Board
    {
        return Board::query()->where('machine_id', $machine->id)->where('slot', $slot)->firstOrFail();
    }

    protected function job(string $slug = 'dunlin-8', string $slot = 'main'): Job
    {
        $machine = self::machine($slug);
        $id = self::ulid();
        $this->as(Role::Technician)->postJson('/api/jobs', [
            'id' => $id, 'machine' => $machine->id, 'board' => self::board($machine, $slot)->id, 'title' => 'A job', 'owner' => 'Dome crew',
            'at' => '2026-03-01T09:00:00Z',
        ])->assertCreated();

        return Job::query()->where('id', $id)->firstOrFail();
    }

    /**
     * @param array<string, mixed> $fields
     *
     * @return TestResponse<\Symfony\Component\HttpFoundation\Response>
     */
    protected function add(Job $job, array $fields): TestResponse
    {
        static $second = 0;
        ++$second;

        return $this->as(Role::Technician)->postJson(
            "/api/jobs/{$job->id}/entries",
            ['id' => self::ulid(), 'at' => gmdate('Y-m-d\TH:i:s\Z', 1772355600 + $second), ...$fields],
        );
    }

    protected function line(Job $job, string $line): string
    {
        return self::text($this->add($job, ['line' => $line])->assertCreated()->json('entry.id'));
    }

    protected function railRun(Job $job, ?string $repeats = null): string
    {
        $id = self::ulid();
        $this->as(Role::Technician)->postJson(
            "/api/jobs/{$job->id}/rail-runs",
            ['id' => $id, ...($repeats === null ? [] : ['repeats' => $repeats])],
        )->assertCreated();

        return $id;
    }

    /**
     * @param array<string, mixed> $more
     *
     * @return TestResponse<\Symfony\Component\HttpFoundation\Response>
     */
    protected function reading(
        Job $job,
        string $run,
        string $rail,
        string $point,
        string|float $volts,
        string $load = 'working',
        array $more = [],
    ): TestResponse {
        return $this->add(
            $job,
            ['kind' => 'reading', 'data' => ['run' => $run, 'rail' => $rail, 'test_point' => $point, 'load' => $load, 'volts' => $volts, ...$more]],
        );
    }

    /** All four supply outputs of the dome controller, well within their bands. */
    protected function goodRun(Job $job): string
    {
        $run = $this->railRun($job);
        foreach ([['-5', 'zener D4', -5.05], ['+5', 'regulator U51 out', 5.02], ['+12', 'regulator U52 out', 12.01]] as [$rail, $point, $volts]) {
            $this->reading($job, $run, $rail, $point, $volts)->assertCreated();
        }

        return $run;
    }

    protected static function meter(int $port): Meter
    {
        return Meter::query()->create([
            'name' => "Meter {$port}",
            'host' => '127.0.0.1',
            'port' => $port,
            'reading_pct' => 0.05,
            'counts' => 5,
            'resolution_v' => 0.001,
            'standin' => true,
            'active' => true,
        ]);
    }

    /** @param TestResponse<\Symfony\Component\HttpFoundation\Response> $response a file that is sent */
    protected static function file(TestResponse $response): string
    {
        $sent = $response->assertOk()->baseResponse;

        return $sent instanceof BinaryFileResponse ? $sent->getFile()->getContent() : throw new \LogicException('no file is sent');
    }

    protected static function ulid(): string
    {
        return Ulid::generate();
    }

    protected static function text(mixed $value): string
    {
        return is_string($value) ? $value : self::fail('not a text');
    }

    /**
     * @param TestResponse<\Symfony\Component\HttpFoundation\Response> $response
     */
    protected static function assertRefused(TestResponse $response, string $pointer, string $words = '', int $status = 422): void
    {
        $response->assertStatus($status);
        self::assertSame($pointer, $response->json('errors.0.pointer'), (string) $response->getContent());
        self::assertStringContainsString($words, self::text($response->json('errors.0.detail')));
    }
}
