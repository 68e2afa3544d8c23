<?php

declare(strict_types=1);

namespace Tests\Http;

/** A stand-in as a process of its own, on a free port. */
final class StandIn
{
    /** @param resource $process */
    private function __construct(public readonly int $port, private $process)
    {
    }

    public static function start(string $scene = 'sound', int $seed = 4116, string $program = 'bench-meter'): self
    {
        $free = stream_socket_server('tcp://127.0.0.1:0') ?: throw new \RuntimeException('no free port');
        $port = (int) substr((string) strrchr((string) stream_socket_get_name($free, false), ':'), 1);
        fclose($free);
        $program = dirname(__DIR__, 2)."/standins/{$program}/{$program}";
        $process = proc_open(
            [PHP_BINARY, $program, '--port', (string) $port, '--scene', $scene, '--seed', (string) $seed],
            [1 => ['pipe', 'w'], 2 => ['pipe', 'w']],
            $pipes,
        );
        is_resource($process) ?: throw new \RuntimeException('the stand-in does not start');
        fgets($pipes[1]);

        return new self($port, $process);
    }

    /** @return list<string> the answers to the queries among the lines */
    public function talk(string ...$lines): array
    {
        $socket = stream_socket_client("tcp://127.0.0.1:{$this->port}", timeout: 2) ?: throw new \RuntimeException('no answer');
        stream_set_timeout($socket, 2);
        $answers = [];
        foreach ($lines as $line) {
            fwrite($socket, "{$line}\n");
            if (str_ends_with(strtok($line, ' ') ?: '', '?')) {
                $answers[] = trim((string) fgets($socket));
            }
        }
        fclose($socket);

        return $answers;
    }

    public function stop(): void
    {
        if (is_resource($this->process)) {
            proc_terminate($this->process, 9);
            proc_close($this->process);
        }
    }
}
