<?php

declare(strict_types=1);

namespace AshStandins;

/** Lines over TCP on 127.0.0.1: many connections, each with its own probe and its own errors. */
final class Server
{
    private const MAX_LINE = 1024;

    /** @var array<int, array{socket: resource, buffer: string, session: array{rail: string, point: string, load: string, errors: list<string>}}> */
    private array $clients = [];

    public function __construct(private readonly Meter $meter)
    {
    }

    public function serve(int $port): never
    {
        $server = @stream_socket_server("tcp://127.0.0.1:{$port}", $number, $words) ?: throw new \RuntimeException(
            "cannot listen on 127.0.0.1:{$port}: {$words}",
        );
        fwrite(STDOUT, "bench-meter answers on 127.0.0.1:{$port}\n");
        while (true) {
            $read = [$server, ...array_map(static fn (array $client) => $client['socket'], array_values($this->clients))];
            $none = null;
            if (@stream_select($read, $none, $none, null) === false) {
                continue;
            }
            foreach ($read as $socket) {
                $socket === $server ? $this->accept($server) : $this->read($socket);
            }
        }
    }

    /** @param resource $server */
    private function accept($server): void
    {
        $socket = @stream_socket_accept($server, 0);
        if ($socket !== false) {
            stream_set_blocking($socket, false);
            $this->clients[get_resource_id($socket)] = [
                'socket' => $socket,
                'buffer' => '',
                'session' => ['rail' => '', 'point' => '', 'load' => 'working', 'errors' => []],
            ];
        }
    }

    /** @param resource $socket */
    private function read($socket): void
    {
        $id = get_resource_id($socket);
        $part = fread($socket, 4096);
        if ($part === '' || $part === false || strlen($this->clients[$id]['buffer']) > self::MAX_LINE) {
            $this->close($id);

            return;
        }
        $client = $this->clients[$id];
        $lines = explode("\n", $client['buffer'].$part);
        $this->clients[$id] = ['buffer' => array_pop($lines)] + $client;
        foreach ($lines as $line) {
            if (!$this->answer($id, trim($line))) {
                return;
            }
        }
    }

    private function answer(int $id, string $line): bool
    {
        $client = $this->clients[$id];
        $answer = $line === '' ? null : $this->meter->hear($line, $client['session']);
        $this->clients[$id] = $client;
        if ($answer === "\0drop") {
            fwrite($client['socket'], '+1.2');
            $this->close($id);

            return false;
        }
        if ($answer !== null && $answer !== "\0silent") {
            fwrite($client['socket'], "{$answer}\n");
        }

        return true;
    }

    private function close(int $id): void
    {
        fclose($this->clients[$id]['socket']);
        unset($this->clients[$id]);
    }
}
