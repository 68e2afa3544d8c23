<?php

declare(strict_types=1);

namespace Tests\Cluster;

use PHPUnit\Framework\TestCase;
use Symfony\Component\Uid\Ulid;
use Tests\Chaos\Writer;

/** Where one machine is not enough: a pool is killed and then the primary database, while somebody writes. bin/test cluster */
final class ClusterTest extends TestCase
{
    private const METER = 8185;
    private const TESTER = 8186;
    private Servers $servers;
    private ?Device $device = null;
    private int $writer = 0;

    protected function setUp(): void
    {
        $this->servers = new Servers(sys_get_temp_dir().'/ash-cl-'.bin2hex(random_bytes(3)), dirname(__DIR__, 2));
        $this->servers->begin();
        $this->device = Device::listening(self::METER, self::TESTER, "{$this->servers->base}/talks");
    }

    protected function tearDown(): void
    {
        $this->writer > 0 && posix_kill($this->writer, SIGKILL);
        $this->device?->end();
        $this->servers->end();
    }

    public function test_a_pool_and_the_primary_are_lost_and_nothing_else_is(): void
    {
        $base = $this->servers->base;
        $client = Writer::signedIn('http://127.0.0.1:'.Servers::PORT, $base, "{$base}/a");
        $job = $client->job();
        [$meter, $source] = $this->instruments($client, $job);
        $acknowledged = "{$base}/acknowledged";
        touch($acknowledged);
        $this->writer = pcntl_fork();
        if ($this->writer === 0) {
            $client->write($job, $acknowledged);
            posix_kill((int) getmypid(), SIGKILL);
        }
        $goesOn = static function (string $after) use ($acknowledged): void {
            $written = count(file($acknowledged) ?: []);
            for ($until = microtime(true) + 30; count(file($acknowledged) ?: []) < $written + 40; usleep(50_000)) {
                self::assertLessThan($until, microtime(true), "it does not go on {$after}");
            }
        };
        $goesOn('at first');
        $this->meterIsAskedByOneAtATime($client, $meter);
        $this->heard($source, 5);

        $this->servers->kill('php-a');
        $goesOn('after a pool is lost');
        $this->servers->kill('captures-a');
        $this->servers->captures('a');
        $this->servers->pool('a');
        $goesOn('after it is back');
        $this->heard($source, 5);

        $this->servers->kill('primary');
        $lost = microtime(true);
        usleep(300_000);
        $this->servers->promote();
        $goesOn('after the replica took over');
        $away = microtime(true) - $lost;
        $this->meterIsAskedByOneAtATime($client, $meter);
        $this->heard($source, 5);

        touch("{$base}/enough");
        pcntl_waitpid($this->writer, $status);
        $this->writer = 0;
        $said = file($acknowledged, FILE_IGNORE_NEW_LINES) ?: [];
        $stored = explode("\n", $this->servers->sql('replica', "SELECT id FROM ash_bench.entries WHERE job_id = '{$job}'"));
        self::assertSame([], array_values(array_diff($said, $stored)), 'nothing that was acknowledged is lost');
        self::assertLessThanOrEqual(1, count($stored) - count($said), 'at most the one that was under way is there unanswered');
        $minutes = $this->servers->sql('replica', "SELECT minutes FROM ash_bench.jobs WHERE id = '{$job}'");
        self::assertSame((string) count($stored), $minutes, 'nothing counts twice');
        self::assertSame(1, max($this->device?->talks('meter') ?? []), 'a meter is talked to by one at a time, across pools');
        self::assertSame(1, max($this->device?->talks('tester') ?? []), 'a serial port is listened to by one program');
        $says = "\n%d entries acknowledged, 0 lost, 0 doubled; %.1f s from the loss of the primary until 40 more were written\n";
        fwrite(STDERR, sprintf($says, count($said), $away));
    }

    /** @return array{string, string} a meter, and a capture that is under way */
    private function instruments(Writer $client, string $job): array
    {
        [$code, $meter] = $client->ask('POST', '/api/meters', [
            'name' => 'Shared', 'host' => '127.0.0.1', 'port' => self::METER, 'reading_pct' => 0.1, 'counts' => 1, 'resolution_v' => 0.01,
        ]);
        self::assertSame(201, $code, json_encode($meter, JSON_THROW_ON_ERROR));
        [$code, $port] = $client->ask('POST', '/api/serial-ports', ['name' => 'Shared', 'host' => '127.0.0.1', 'port' => self::TESTER]);
        self::assertSame(201, $code, json_encode($port, JSON_THROW_ON_ERROR));
        self::assertIsArray($meter);
        self::assertIsArray($port);
        $id = Ulid::generate();
        [$code, $said] = $client->ask('POST', "/api/jobs/{$job}/captures", ['id' => $id, 'map' => 'main', 'port' => $port['id']]);
        self::assertSame(201, $code, json_encode($said, JSON_THROW_ON_ERROR));

        return [(string) $meter['id'], $id];
    }

    private function meterIsAskedByOneAtATime(Writer $client, string $meter): void
    {
        $before = count($this->device?->talks('meter') ?? []);
        $asking = [];
        for ($i = 0; $i < 6; ++$i) {
            $asking[] = $pid = pcntl_fork();
            if ($pid === 0) {
                $client->ask('POST', "/api/meters/{$meter}/check");
                posix_kill((int) getmypid(), SIGKILL);
            }
        }
        array_map(static fn (int $pid): int => pcntl_waitpid($pid, $status), $asking);
        self::assertGreaterThan($before + 2, count($this->device?->talks('meter') ?? []));
    }

    /** So many lines more are written down. */
    private function heard(string $source, int $lines): void
    {
        $file = "{$this->servers->base}/shared/app/memory/{$source}.txt";
        clearstatcache();
        $from = is_file($file) ? (int) filesize($file) : 0;
        for ($until = microtime(true) + 20; !is_file($file) || filesize($file) < $from + 11 * $lines; usleep(50_000)) {
            clearstatcache();
            self::assertLessThan($until, microtime(true), 'the capture does not go on');
        }
    }
}
