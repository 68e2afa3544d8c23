<?php

declare(strict_types=1);

namespace Tests\Cluster;

use Symfony\Component\Process\Process;

/**
 * A workshop on several machines, all of them on loopback: a primary database with a semi-synchronous replica, two PHP pools behind one
 * nginx, each with its capture program, files on storage that both see. The configuration is deploy/'s own, with what docs/deploy.md
 * says of several servers.
 */
final class Servers
{
    public const PORT = 8180;
    public const PRIMARY = 13180;
    public const REPLICA = 13181;

    /** @var array<string, Process> */
    private array $running = [];

    public function __construct(public readonly string $base, private readonly string $root)
    {
    }

    public function begin(): void
    {
        foreach (['primary' => self::PRIMARY, 'replica' => self::REPLICA] as $name => $port) {
            $this->database($name, $port);
        }
        $this->sql('primary', "CREATE DATABASE ash_bench; CREATE USER 'ash_bench'@'127.0.0.1' IDENTIFIED BY 'cluster';
            GRANT ALL ON ash_bench.* TO 'ash_bench'@'127.0.0.1';
            CREATE USER 'replica'@'127.0.0.1' IDENTIFIED BY 'cluster'; GRANT REPLICATION SLAVE ON *.* TO 'replica'@'127.0.0.1'");
        $this->sql('replica', "SET GLOBAL rpl_semi_sync_slave_enabled=1; CHANGE MASTER TO MASTER_HOST='127.0.0.1', MASTER_PORT=".self::PRIMARY.",
            MASTER_USER='replica', MASTER_PASSWORD='cluster', MASTER_USE_GTID=slave_pos; START SLAVE; SET GLOBAL read_only=1");
        // Nothing is confirmed before the replica has it; it waits for one that is away rather than go on without.
        foreach (['wait_point=AFTER_SYNC', 'timeout=3600000', 'enabled=1'] as $setting) {
            $this->sql('primary', "SET GLOBAL rpl_semi_sync_master_{$setting}");
        }
        $this->until(fn (): bool => $this->sql('primary', "SHOW STATUS LIKE 'Rpl_semi_sync_master_clients'") === "Rpl_semi_sync_master_clients\t1");
        mkdir("{$this->base}/shared/app", 0o755, true);
        foreach (['a', 'b'] as $pool) {
            $this->environment($pool, self::PRIMARY);
        }
        $this->artisan('a', 'migrate', '--force', '--quiet');
        $this->artisan('a', 'ash:populate');
        foreach (['a', 'b'] as $pool) {
            $this->artisan($pool, 'optimize', '--quiet');
            $this->pool($pool);
            $this->captures($pool);
        }
        $this->web();
    }

    private function database(string $name, int $port): void
    {
        foreach (['run', 'log'] as $folder) {
            mkdir("{$this->base}/{$name}/{$folder}", 0o755, true);
        }
        $settings = $this->template('mariadb.cnf', $name, ['PORT' => '', 'DB_PORT' => (string) $port]);
        $settings = str_replace('skip-log-bin', implode("\n", [
            'log-bin=binlog', 'server-id='.$port, 'gtid-strict-mode=1', 'gtid-domain-id=1', 'sync-binlog=1', 'log-slave-updates=1', 'binlog-format=ROW',
            // The record's triggers are made by the application's own user.
            'log-bin-trust-function-creators=1',
        ]), $settings);
        file_put_contents("{$this->base}/{$name}/run/mariadb.cnf", $settings);
        $who = self::who();
        $this->ran([
            'mariadb-install-db', '--no-defaults', "--datadir={$this->base}/{$name}/mariadb", "--user={$who}", '--skip-test-db',
            '--auth-root-authentication-method=socket', "--auth-root-socket-user={$who}",
        ]);
        $this->run($name, ['mariadbd', "--defaults-file={$this->base}/{$name}/run/mariadb.cnf", "--user={$who}"]);
        $this->until(fn (): bool => $this->sql($name, 'SELECT 1', false) === '1');
    }

    /** What a pool is told: both the same, but for where they lie. */
    private function environment(string $pool, int $database): void
    {
        foreach (['cache', 'run', 'log', 'storage/logs', 'storage/framework/cache', 'storage/framework/views', 'storage/framework/sessions'] as $folder) {
            is_dir("{$this->base}/{$pool}/{$folder}") || mkdir("{$this->base}/{$pool}/{$folder}", 0o755, true);
        }
        is_link("{$this->base}/{$pool}/storage/app") || symlink("{$this->base}/shared/app", "{$this->base}/{$pool}/storage/app");
        file_put_contents("{$this->base}/{$pool}/.env", implode("\n", [
            'APP_ENV=production', 'APP_DEBUG=false', 'APP_KEY=base64:'.base64_encode(str_repeat('k', 32)), 'APP_URL=http://127.0.0.1:'.self::PORT,
            'DB_HOST=127.0.0.1', "DB_PORT={$database}", 'DB_DATABASE=ash_bench', 'DB_USERNAME=ash_bench', 'DB_PASSWORD=cluster', 'CACHE_STORE=database',
            'API_RATE_PER_MINUTE=60000', 'STANDIN_METER_PORT=1', 'STANDIN_TESTER_PORT=2', '',
        ]));
    }

    public function pool(string $pool): void
    {
        $file = "{$this->base}/{$pool}/run/php-fpm.conf";
        file_put_contents($file, $this->template('php-fpm.conf', $pool));
        $program = 'php-fpm'.PHP_MAJOR_VERSION.'.'.PHP_MINOR_VERSION;
        $this->run("php-{$pool}", [$program, '-c', "{$this->root}/deploy/php.ini", '-y', $file, '-F', ...(self::who() === 'root' ? ['-R'] : [])]);
        $this->until(fn (): bool => file_exists("{$this->base}/{$pool}/php.sock"));
    }

    public function captures(string $pool): void
    {
        $this->run("captures-{$pool}", ['php', "{$this->root}/artisan", 'ash:captures'], ['ASH_VAR' => "{$this->base}/{$pool}"]);
    }

    private function web(): void
    {
        mkdir("{$this->base}/web/run", 0o755, true);
        mkdir("{$this->base}/web/log", 0o755, true);
        $one = static fn (string $socket): string => "server unix:{$socket} max_fails=1 fail_timeout=1s;";
        $sockets = "upstream php { {$one("{$this->base}/a/php.sock")} {$one("{$this->base}/b/php.sock")} }";
        $settings = str_replace(
            ["unix:{$this->base}/web/php.sock", '    server {', 'fastcgi_read_timeout 60s;'],
            // A request that a pool did not finish is put to the other: whatever is sent twice is stored once.
            ['php', "    {$sockets}\n    server {", "fastcgi_read_timeout 60s;\n        fastcgi_next_upstream error timeout non_idempotent;"],
            $this->template('nginx.conf', 'web', ['PORT' => (string) self::PORT]),
        );
        file_put_contents("{$this->base}/web/run/nginx.conf", $settings);
        $this->run('web', ['nginx', '-c', "{$this->base}/web/run/nginx.conf", '-e', "{$this->base}/web/log/nginx.log"]);
        $this->until(static fn (): bool => @file_get_contents('http://127.0.0.1:'.self::PORT.'/up') !== false);
    }

    /** Killed with everything that it began. */
    public function kill(string $name): void
    {
        $pid = (int) $this->running[$name]->getPid();
        // The master first, or it begins another worker.
        posix_kill($pid, SIGKILL);
        exec("pkill -KILL --session {$pid}");
        while ($this->running[$name]->isRunning()) {
            usleep(10_000);
        }
        unset($this->running[$name]);
        if (str_starts_with($name, 'php-')) {
            @unlink("{$this->base}/".substr($name, 4).'/php.sock');
        }
    }

    /** The steps of docs/deploy.md after the primary is lost. */
    public function promote(): void
    {
        // 1. Everything that it received is applied before it takes over.
        $this->sql('replica', 'STOP SLAVE IO_THREAD');
        $this->until(function (): bool {
            preg_match('/Gtid_IO_Pos: (\S*)/', $this->sql('replica', 'SHOW SLAVE STATUS\\G'), $m);

            return str_contains($this->sql('replica', 'SELECT @@gtid_slave_pos'), $m[1] ?? '-');
        });
        // 2. It takes writes.
        $this->sql('replica', 'STOP SLAVE; RESET SLAVE ALL; SET GLOBAL read_only=0');
        // 3. The application is pointed at it.
        foreach (['a', 'b'] as $pool) {
            $this->environment($pool, self::REPLICA);
            $this->artisan($pool, 'config:cache', '--quiet');
        }
        // 4. What holds a connection is started again; the pools read the new settings by themselves.
        foreach (['a', 'b'] as $pool) {
            $this->kill("captures-{$pool}");
            $this->captures($pool);
        }
    }

    public function end(): void
    {
        foreach (array_keys($this->running) as $name) {
            $this->kill($name);
        }
        $this->ran(['rm', '-rf', $this->base]);
    }

    public function sql(string $name, string $sql, bool $must = true): string
    {
        $it = new Process(['mariadb', '--no-defaults', "--socket={$this->base}/{$name}/mariadb/db.sock", '--batch', '--skip-column-names', '-e', $sql]);
        $it->run();
        $must && !$it->isSuccessful() && throw new \RuntimeException($it->getErrorOutput());

        return trim($it->getOutput());
    }

    private function artisan(string $pool, string ...$what): void
    {
        $this->ran(['php', "{$this->root}/artisan", ...$what], ['ASH_VAR' => "{$this->base}/{$pool}"]);
    }

    /** @param array<string, string> $more */
    private function template(string $file, string $name, array $more = []): string
    {
        $root = self::who() === 'root';
        $values = [
            'VAR' => "{$this->base}/{$name}", 'RUN' => "{$this->base}/{$name}", 'ROOT' => $this->root, 'LISTEN' => '',
            'USER' => !$root ? '' : ($file === 'nginx.conf' ? 'user root;' : "user=root\ngroup=root"), ...$more,
        ];

        $text = (string) file_get_contents("{$this->root}/deploy/{$file}");

        return (string) preg_replace_callback('/@([A-Z_]+)@/', static fn (array $m): string => $values[$m[1]] ?? $m[0], $text);
    }

    /**
     * @param list<string>          $command
     * @param array<string, string> $environment
     */
    private function run(string $name, array $command, array $environment = []): void
    {
        // It ends with this process, whatever ends that.
        $it = new Process(['setsid', 'setpriv', '--pdeathsig', 'KILL', ...$command], $this->root, $environment, null, null);
        $it->disableOutput()->start();
        $this->running[$name] = $it;
    }

    /**
     * @param list<string>          $command
     * @param array<string, string> $environment
     */
    private function ran(array $command, array $environment = []): void
    {
        (new Process($command, $this->root, $environment, null, 120))->mustRun();
    }

    private function until(\Closure $true): void
    {
        for ($until = microtime(true) + 40; !$true(); usleep(50_000)) {
            microtime(true) < $until || throw new \RuntimeException('it takes too long: '.(new \ReflectionFunction($true))->getStartLine());
        }
    }

    private static function who(): string
    {
        return (string) (posix_getpwuid(posix_geteuid())['name'] ?? 'root');
    }
}
