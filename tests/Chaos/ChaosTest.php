<?php

declare(strict_types=1);

namespace Tests\Chaos;

use PHPUnit\Framework\TestCase;
use Symfony\Component\Process\Process;

/**
 * The database, PHP, the web server and the start command itself are killed without warning while somebody writes: what was acknowledged is
 * there once, and nothing is there twice. bin/test kills 5 times, bin/test chaos 20.
 */
final class ChaosTest extends TestCase
{
    private const PORT = 8170;
    private string $var = '';
    private ?Process $start = null;
    private int $writer = 0;

    protected function setUp(): void
    {
        $this->var = sys_get_temp_dir().'/ash-chaos-'.bin2hex(random_bytes(4));
        $this->begin();
    }

    protected function tearDown(): void
    {
        $this->writer > 0 && posix_kill($this->writer, SIGKILL);
        $this->start?->isRunning() === true && $this->start->signal(SIGTERM);
        $this->ended();
        (new Process(['rm', '-rf', $this->var]))->run();
    }

    /** However it ends: a kill of its own is one of the things that happen here. */
    private function ended(): void
    {
        while ($this->start?->isRunning() === true) {
            usleep(20_000);
        }
    }

    private function begin(): void
    {
        $this->start = new Process(
            [dirname(__DIR__, 2).'/bin/start', '--no-demo', '--port', (string) self::PORT, '--db-port', '13170'],
            null,
            ['ASH_VAR' => $this->var, 'API_RATE_PER_MINUTE' => '60000'],
            null,
            null,
        );
        $this->start->start();
        $up = $this->start->waitUntil(static fn (string $type, string $said): bool => str_contains($said, 'Ctrl-C stops it'));
        self::assertTrue($up, $this->start->getOutput().$this->start->getErrorOutput());
    }

    public function test_what_was_acknowledged_is_there_once(): void
    {
        $client = Writer::signedIn('http://127.0.0.1:'.self::PORT, $this->var, $this->var);
        $job = $client->job();
        $acknowledged = "{$this->var}/acknowledged";
        touch($acknowledged);
        $this->writer = pcntl_fork();
        if ($this->writer === 0) {
            $client->write($job, $acknowledged);
            posix_kill((int) getmypid(), SIGKILL);
        }
        mt_srand(5);
        $kills = (int) (getenv('ASH_KILLS') ?: 5);
        for ($i = 0; $i < $kills; ++$i) {
            $written = count(file($acknowledged) ?: []);
            $until = microtime(true) + 20;
            while (count(file($acknowledged) ?: []) < $written + 5 && microtime(true) < $until) {
                usleep(20_000);
            }
            self::assertGreaterThan($written, count(file($acknowledged) ?: []), "it goes on after {$i} kills");
            usleep(mt_rand(0, 40_000));
            $what = ['mariadbd', 'php-fpm', 'nginx', 'start'][$i % 4];
            $pid = $what === 'start' ? (int) $this->start?->getPid() : $this->service($what);
            self::assertTrue(posix_kill($pid, SIGKILL), $what);
            $this->ended();
            $this->begin();
        }
        usleep(500_000);
        touch("{$this->var}/enough");
        pcntl_waitpid($this->writer, $status);
        $this->writer = 0;
        $database = new \PDO("mysql:unix_socket={$this->var}/mariadb/db.sock;dbname=ash_bench", (string) posix_getpwuid(posix_geteuid())['name']);
        $count = static fn (string $sql): mixed => $database->query($sql)->fetchColumn();
        $stored = $database->query("SELECT id FROM entries WHERE job_id = '{$job}'")->fetchAll(\PDO::FETCH_COLUMN);
        $said = file($acknowledged, FILE_IGNORE_NEW_LINES) ?: [];
        self::assertGreaterThan(5 * $kills, count($said));
        self::assertSame([], array_values(array_diff($said, $stored)), 'nothing that was acknowledged is lost');
        self::assertLessThanOrEqual(1, count($stored) - count($said), 'at most the one that was under way is there unanswered');
        self::assertSame((int) $count("SELECT minutes FROM jobs WHERE id = '{$job}'"), count($stored), 'nothing counts twice');
        fwrite(STDERR, sprintf("\n%d kills, %d entries acknowledged, 0 lost, 0 doubled\n", $kills, count($said)));
    }

    private function service(string $name): int
    {
        foreach (file("{$this->var}/run/services", FILE_IGNORE_NEW_LINES) ?: [] as $line) {
            $pid = (int) $line;
            if (str_contains((string) @file_get_contents("/proc/{$pid}/cmdline"), $name)) {
                return $pid;
            }
        }
        self::fail("{$name} does not run");
    }
}
