<?php

declare(strict_types=1);

namespace Tests\Http;

use App\Logbook\Entry;
use Illuminate\Support\Facades\DB;

/** A database of its own, killed without warning right after it has acknowledged an entry. */
final class DurabilityTest extends TestCase
{
    /** No transaction around this test: what is acknowledged must be committed. */
    protected array $connectionsToTransact = [];

    private string $folder = '';

    protected function setUp(): void
    {
        parent::setUp();
        $this->folder = sys_get_temp_dir().'/ash-durable-'.bin2hex(random_bytes(4));
        $port = 13171;
        $this->services(
            'DB_PASSWORD=durable start_database && prepare_database ash_durable && DB_PASSWORD=durable && database_sql -e "ALTER USER '
                ."'ash_bench'@'127.0.0.1' IDENTIFIED BY 'durable'\"",
            $port,
        );
        config([
            'database.connections.mariadb.port' => $port,
            'database.connections.mariadb.database' => 'ash_durable',
            'database.connections.mariadb.password' => 'durable',
            'session.driver' => 'array',
        ]);
        DB::purge('mariadb');
        \Illuminate\Support\Facades\Artisan::call('migrate', ['--force' => true]);
    }

    protected function tearDown(): void
    {
        $this->pid() > 0 && posix_kill($this->pid(), SIGKILL);
        exec('rm -rf '.escapeshellarg($this->folder));
        DB::purge('mariadb');
        parent::tearDown();
    }

    private function services(string $command, int $port = 13171): void
    {
        $script = 'set -e; ROOT='.escapeshellarg(base_path()).' VAR='.escapeshellarg($this->folder)
            ." DB_PORT={$port} DB_PASSWORD=durable SERVICES_OUTLIVE=yes; . \"\$ROOT/deploy/services.sh\"; {$command}";
        exec('bash -c '.escapeshellarg($script).' >/dev/null 2>&1 </dev/null', result_code: $status);
        self::assertSame(0, $status, $command);
    }

    private function pid(): int
    {
        return (int) @file_get_contents("{$this->folder}/run/mariadb.pid");
    }

    public function test_an_acknowledged_entry_survives_a_sigkill_of_the_database(): void
    {
        $job = $this->job();
        $ids = [];
        for ($i = 0; $i < 5; ++$i) {
            $ids[] = $this->line($job, "saw {$i} 1 min");
        }
        $person = self::person();
        $pid = $this->pid();
        self::assertGreaterThan(0, $pid);
        posix_kill($pid, 9);
        while (posix_kill($pid, 0)) {
            usleep(10_000);
        }
        DB::purge('mariadb');
        $this
            ->actingAs($person)
            ->postJson("/api/jobs/{$job->id}/entries", ['id' => self::ulid(), 'at' => '2026-03-01T10:00:00Z', 'line' => 'saw nobody'])
            ->assertStatus(503)
            ->assertJsonPath('errors.0.detail', 'the database cannot be reached; nothing was saved');
        $this->services('start_database');
        DB::purge('mariadb');
        self::assertSame($ids, Entry::query()->orderBy('at')->pluck('id')->all());
        self::assertSame(5, $job->refresh()->minutes);
        $this->line($job, 'saw that it goes on');
    }
}
