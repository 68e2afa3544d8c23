<?php

declare(strict_types=1);

namespace Tests\Chaos;

use PHPUnit\Framework\TestCase;
use Symfony\Component\Process\Process;
use Symfony\Component\Uid\Ulid;

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

    /**
     * @param array<string, mixed>|null $body
     *
     * @return array{int, mixed}
     */
    private function ask(string $method, string $path, ?array $body = null): array
    {
        $curl = curl_init('http://127.0.0.1:'.self::PORT.$path);
        $jar = "{$this->var}/cookies";
        $token = preg_match('/\tXSRF-TOKEN\t(\S+)/', (string) @file_get_contents($jar), $m) === 1 ? urldecode($m[1]) : '';
        curl_setopt_array($curl, [
            CURLOPT_RETURNTRANSFER => true, CURLOPT_CUSTOMREQUEST => $method, CURLOPT_COOKIEFILE => $jar, CURLOPT_COOKIEJAR => $jar, CURLOPT_TIMEOUT => 10,
            CURLOPT_HTTPHEADER => [
                'Accept: application/json', 'Content-Type: application/json', 'Referer: http://127.0.0.1:'.self::PORT.'/', "X-XSRF-TOKEN: {$token}",
            ],
        ] + ($body === null ? [] : [CURLOPT_POSTFIELDS => json_encode($body, JSON_THROW_ON_ERROR)]));
        $answer = curl_exec($curl);
        $code = curl_getinfo($curl, CURLINFO_RESPONSE_CODE);
        curl_close($curl);

        return [(int) $code, json_decode(is_string($answer) ? $answer : '', true)];
    }

    private function job(): string
    {
        preg_match('/(lead@\S+) \/ (\S+)/', (string) file_get_contents("{$this->var}/sign-in.txt"), $m) === 1 ?: self::fail('nobody to sign in as');
        self::assertSame(200, $this->ask('POST', '/api/session', ['email' => $m[1], 'password' => $m[2]])[0]);
        $profile = json_decode((string) file_get_contents(dirname(__DIR__, 2).'/database/demo/machines/dunlin-8.json'), true);
        [$code, $machine] = $this->ask('POST', '/api/machines', is_array($profile) ? $profile : []);
        self::assertSame(201, $code);
        self::assertIsArray($machine);
        $id = Ulid::generate();
        [$code] = $this->ask('POST', '/api/jobs', [
            'id' => $id, 'machine' => $machine['id'], 'board' => $machine['boards'][0]['id'], 'title' => 'Chaos', 'owner' => 'Nobody',
            'at' => gmdate('Y-m-d\TH:i:s\Z'),
        ]);
        self::assertSame(201, $code);

        return $id;
    }

    /** Writes until it is told to stop: each entry again and again until it is answered, as a browser's list of unsent entries does. */
    private function write(string $job, string $acknowledged): void
    {
        for ($n = 0; !file_exists("{$this->var}/enough"); ++$n) {
            $entry = ['id' => Ulid::generate(), 'at' => gmdate('Y-m-d\TH:i:s\Z'), 'line' => "saw {$n} 1 min"];
            do {
                [$code] = $this->ask('POST', "/api/jobs/{$job}/entries", $entry);
                $code === 200 || $code === 201 || usleep(50_000);
            } while ($code !== 200 && $code !== 201 && !file_exists("{$this->var}/enough"));
            if ($code === 200 || $code === 201) {
                file_put_contents($acknowledged, "{$entry['id']}\n", FILE_APPEND);
            }
        }
    }

    public function test_what_was_acknowledged_is_there_once(): void
    {
        $job = $this->job();
        $acknowledged = "{$this->var}/acknowledged";
        touch($acknowledged);
        $this->writer = pcntl_fork();
        if ($this->writer === 0) {
            $this->write($job, $acknowledged);
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
