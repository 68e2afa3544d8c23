<?php

declare(strict_types=1);

namespace Tests\Cluster;

/** A meter and a memory tester in one, in a process of its own, that write down how many talk to each of them at once. */
final class Device
{
    private function __construct(private readonly int $process, private readonly string $file)
    {
    }

    public static function listening(int $meter, int $tester, string $file): self
    {
        touch($file);
        $process = pcntl_fork();
        if ($process !== 0) {
            return new self($process, $file);
        }
        $servers = ['meter' => stream_socket_server("tcp://127.0.0.1:{$meter}"), 'tester' => stream_socket_server("tcp://127.0.0.1:{$tester}")];
        $open = ['meter' => [], 'tester' => []];
        $said = 0.0;
        while (posix_getppid() > 1) {
            $ready = [...array_values(array_filter($servers)), ...$open['meter'], ...$open['tester']];
            $none = null;
            @stream_select($ready, $none, $none, 0, 50_000);
            foreach ($servers as $name => $server) {
                if ($server !== false && in_array($server, $ready, true) && ($line = stream_socket_accept($server)) !== false) {
                    $open[$name][] = $line;
                    file_put_contents($file, "{$name} ".count($open[$name])."\n", FILE_APPEND);
                }
            }
            foreach ($open as $name => $lines) {
                foreach ($lines as $i => $line) {
                    $asked = in_array($line, $ready, true) ? fgets($line) : '';
                    if ($asked === false) {
                        unset($open[$name][$i]);
                        fclose($line);
                    } elseif (str_contains($asked, '?')) {
                        usleep(60_000);
                        @fwrite($line, str_contains($asked, 'IDN') ? "X,Y,1,1\n" : "5.01\n");
                    }
                }
            }
            if (microtime(true) - $said > 0.2) {
                $said = microtime(true);
                array_map(static fn ($line) => @fwrite($line, "4A3F 55 51\n"), $open['tester']);
            }
        }
        exit;
    }

    /** @return list<int> how many were talking to it each time that one more began */
    public function talks(string $name): array
    {
        preg_match_all("/^{$name} (\\d+)$/m", (string) file_get_contents($this->file), $m);

        return array_map(intval(...), $m[1]);
    }

    public function end(): void
    {
        posix_kill($this->process, SIGKILL);
        pcntl_waitpid($this->process, $status);
    }
}
