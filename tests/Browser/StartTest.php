<?php

declare(strict_types=1);

namespace Tests\Browser;

use PHPUnit\Framework\TestCase as PhpUnit;

/** bin/start when something is in its way, and the running application as the network sees it. */
final class StartTest extends PhpUnit
{
    private static function url(): string
    {
        return (string) getenv('ASH_URL');
    }

    /** @return array{int, string} exit status and everything it said */
    private static function start(string $options): array
    {
        $var = sys_get_temp_dir().'/ash-start-'.bin2hex(random_bytes(4));
        exec("ASH_VAR={$var} ".dirname(__DIR__, 2)."/bin/start {$options} 2>&1", $lines, $status);
        exec('pgrep -f '.escapeshellarg($var), $left);
        exec("rm -rf {$var}");
        self::assertSame(
            [],
            array_filter(
                $left,
                static fn (string $pid): bool => (int) $pid !== getmypid()
                    && is_dir("/proc/{$pid}")
                    && !str_contains((string) @file_get_contents("/proc/{$pid}/cmdline"), 'pgrep'),
            ),
        );

        return [$status, implode("\n", $lines)];
    }

    public function test_a_port_in_use_is_one_clear_sentence_and_nothing_is_left_running(): void
    {
        $port = (int) parse_url(self::url(), PHP_URL_PORT);
        self::assertSame(
            [1, "ash-bench: port {$port} is in use: stop what listens there, or choose another with --port"],
            self::start("--port {$port} --db-port 13199"),
        );
        [$status, $said] = self::start('--port 8190 --db-port '.($port + 5100));
        self::assertSame(1, $status);
        self::assertStringContainsString('choose another with --db-port', $said);
    }

    public function test_a_folder_belongs_to_one_and_what_a_killed_start_leaves_is_cleared_away(): void
    {
        $var = sys_get_temp_dir().'/ash-start-'.bin2hex(random_bytes(4));
        $bin = dirname(__DIR__, 2).'/bin/start';
        $begin = static function () use ($var, $bin): \Symfony\Component\Process\Process {
            $options = ['--no-demo', '--port', '8180', '--db-port', '13180', '--backup-into', "{$var}/kept"];
            $start = new \Symfony\Component\Process\Process([$bin, ...$options], null, ['ASH_VAR' => $var], null, 120);
            $start->start();
            $start->waitUntil(static fn (string $type, string $text): bool => str_contains($text, 'Ctrl-C stops it'));

            return $start;
        };
        $first = $begin();
        $environment = (string) file_get_contents("{$var}/.env");
        exec("ASH_VAR={$var} {$bin} --no-demo --port 8190 --db-port 13190 2>&1", $said, $status);
        self::assertSame(1, $status);
        self::assertStringContainsString('is in use by another one that runs', implode("\n", $said));
        self::assertSame($environment, (string) file_get_contents("{$var}/.env"), 'the second one wrote nothing');
        self::assertNotFalse(@file_get_contents('http://127.0.0.1:8180/up'));
        for ($i = 0; $i < 200 && glob("{$var}/kept/ash-bench-*.tar") === []; ++$i) {
            usleep(100_000);
        }
        self::assertCount(1, glob("{$var}/kept/ash-bench-*.tar") ?: [], 'the backup of the day');
        $first->signal(SIGKILL);
        $second = $begin();
        self::assertNotFalse(@file_get_contents('http://127.0.0.1:8180/up'), $second->getErrorOutput());
        $second->signal(SIGTERM);
        $second->wait();
        exec('pgrep -f '.escapeshellarg("[-=]{$var}").' || pgrep -f '.escapeshellarg("{$var}/run"), $left);
        exec("rm -rf {$var}");
        self::assertSame([], array_values(array_filter($left, static fn (string $pid): bool => is_dir("/proc/{$pid}"))));
    }

    public function test_options_that_make_no_sense_are_refused(): void
    {
        foreach (['--port lamp', '--port', '--db-port 80', '--colour red'] as $options) {
            [$status, $said] = self::start($options);
            self::assertSame(1, $status, $options);
            self::assertStringContainsString('ash-bench: ', $said);
        }
    }

    public function test_a_post_without_its_token_is_turned_away(): void
    {
        $context = stream_context_create([
            'http' => [
                'method' => 'POST',
                'header' => "Content-Type: application/json\r\nAccept: application/json\r\nReferer: ".self::url()."/\r\n",
                'content' => '{}',
                'ignore_errors' => true,
            ],
        ]);
        file_get_contents(self::url().'/api/jobs', context: $context);
        self::assertStringContainsString('419', $http_response_header[0] ?? '');
    }

    public function test_a_300_mb_photo_is_turned_away_in_words_before_it_is_sent(): void
    {
        $port = (int) parse_url(self::url(), PHP_URL_PORT);
        $socket = stream_socket_client("tcp://127.0.0.1:{$port}", timeout: 5);
        self::assertIsResource($socket);
        fwrite(
            $socket,
            "POST /api/jobs/x/photos HTTP/1.1\r\nHost: 127.0.0.1:{$port}\r\nContent-Type: multipart/form-data; "
                ."boundary=x\r\nContent-Length: 314572800\r\nConnection: close\r\n\r\n",
        );
        $answer = (string) stream_get_contents($socket);
        self::assertStringContainsString(' 413 ', $answer);
        self::assertStringContainsString('{"errors":[{"pointer":"/file","detail":"is larger than 20 MB"}]}', $answer);
    }

    public function test_the_database_and_the_meter_listen_on_loopback_only(): void
    {
        $port = (int) parse_url(self::url(), PHP_URL_PORT);
        $listening = (string) file_get_contents('/proc/net/tcp');
        foreach ([$port, $port + 1, $port + 5100] as $it) {
            self::assertMatchesRegularExpression(sprintf('/ 0100007F:%04X 00000000:0000 0A/', $it), $listening, "{$it} on 127.0.0.1");
            self::assertDoesNotMatchRegularExpression(sprintf('/ 00000000:%04X 00000000:0000 0A/', $it), $listening, "{$it} on every address");
        }
    }

    public function test_built_files_are_cached_for_good_and_sent_compressed(): void
    {
        $page = (string) file_get_contents(self::url().'/');
        preg_match('#/build/assets/main-[\w-]+\.js#', $page, $m);
        self::assertNotSame([], $m);
        $body = file_get_contents(self::url().$m[0], context: stream_context_create(['http' => ['header' => "Accept-Encoding: gzip\r\n"]]));
        $headers = implode("\n", $http_response_header);
        self::assertStringContainsString('Cache-Control: public, max-age=31536000, immutable', $headers);
        self::assertStringContainsString('Content-Encoding: gzip', $headers);
        self::assertIsString($body);
        self::assertDoesNotMatchRegularExpression('#https?://(?!127\.0\.0\.1)#', $page, 'nothing comes from elsewhere');
    }
}
