<?php

declare(strict_types=1);

namespace AshStandins\Tester;

/** The console over TCP: every connection reads a run of its own from its first line on. */
final class Console
{
    /** Seconds in which a new connection may say that it is a control line. */
    private const CONTROL = 0.15;
    private const MAX_LINE = 1024;

    /** @var array<int, Client> */
    private array $clients = [];

    public function __construct(private readonly string $folder, private string $scene, private readonly int $seed)
    {
        $this->choose($scene) ?: throw new \RuntimeException("there is no scene \"{$scene}\" in {$folder}");
    }

    public function serve(int $port): never
    {
        $server = @stream_socket_server("tcp://127.0.0.1:{$port}", $number, $words) ?: throw new \RuntimeException(
            "cannot listen on 127.0.0.1:{$port}: {$words}",
        );
        fwrite(STDOUT, "memory-tester writes on 127.0.0.1:{$port}\n");
        while (true) {
            $read = [$server, ...array_map(static fn (Client $client) => $client->socket, array_values($this->clients))];
            $none = null;
            if (@stream_select($read, $none, $none, 0, 2_000) > 0) {
                foreach ($read as $socket) {
                    $socket === $server ? $this->accept($server) : $this->hear($socket);
                }
            }
            foreach (array_keys($this->clients) as $id) {
                $this->write($id, microtime(true));
            }
        }
    }

    /** @param resource $server */
    private function accept($server): void
    {
        $socket = @stream_socket_accept($server, 0);
        if ($socket !== false) {
            stream_set_blocking($socket, false);
            $this->clients[get_resource_id($socket)] = new Client($socket, microtime(true));
        }
    }

    /** @param resource $socket */
    private function hear($socket): void
    {
        $id = get_resource_id($socket);
        $client = $this->clients[$id];
        $part = fread($socket, 4096);
        if ($part === '' || $part === false || strlen($client->buffer) > self::MAX_LINE) {
            $this->close($id);

            return;
        }
        $lines = explode("\n", $client->buffer.$part);
        $client->buffer = (string) array_pop($lines);
        foreach (array_map(trim(...), $lines) as $line) {
            if (str_starts_with($line, 'SIM:')) {
                $client->control = true;
                $answer = $this->control($line);
                $answer === '' || fwrite($socket, "{$answer}\n");
            }
        }
    }

    private function control(string $line): string
    {
        if ($line === 'SIM:SCENE?') {
            return $this->scene;
        }
        if ($line === 'SIM:SCENES?') {
            return implode(',', $this->scenes());
        }
        $this->choose(trim(substr($line, strlen('SIM:SCENE')), ' "'));

        return '';
    }

    private function choose(string $scene): bool
    {
        $known = in_array($scene, $this->scenes(), true);
        $this->scene = $known ? $scene : $this->scene;

        return $known;
    }

    /** @return list<string> */
    private function scenes(): array
    {
        $names = array_map(static fn (string $file): string => basename($file, '.json'), glob("{$this->folder}/*.json") ?: []);
        sort($names);

        return $names;
    }

    private function write(int $id, float $now): void
    {
        $client = $this->clients[$id];
        if ($client->control || $now - $client->since < self::CONTROL) {
            return;
        }
        if ($client->lines === null) {
            $client->lines = Memory::load("{$this->folder}/{$this->scene}.json", $this->seed)->lines();
            $client->due = $now + $client->lines->current()[0];
        }
        while ($client->lines->valid() && $now >= $client->due) {
            $line = $client->lines->current()[1];
            if ($line === "\0drop" || @fwrite($client->socket, str_ends_with($line, '@0') ? $line : "{$line}\r\n") === false) {
                $this->close($id);

                return;
            }
            $client->lines->next();
            $client->due += $client->lines->valid() ? $client->lines->current()[0] : 1e9;
        }
    }

    private function close(int $id): void
    {
        fclose($this->clients[$id]->socket);
        unset($this->clients[$id]);
    }
}
