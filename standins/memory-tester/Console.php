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
            // Whoever cannot take more at the moment is written to when it can.
            $write = array_values(array_map(
                static fn (Client $client) => $client->socket,
                array_filter($this->clients, static fn (Client $client): bool => $client->unsent !== ''),
            ));
            $none = null;
            $wait = $this->nextDue(microtime(true));
            if (@stream_select($read, $write, $none, $wait === null ? null : (int) $wait, $wait === null ? null : (int) (fmod($wait, 1) * 1e6)) > 0) {
                foreach ($read as $socket) {
                    $socket === $server ? $this->accept($server) : $this->hear($socket);
                }
            }
            foreach (array_keys($this->clients) as $id) {
                $this->write($id, microtime(true));
            }
        }
    }

    /** Seconds until somebody's next line is due; null: until somebody calls. */
    private function nextDue(float $now): ?float
    {
        $due = null;
        foreach ($this->clients as $client) {
            $at = $client->control || $client->unsent !== ''
                ? null
                : ($client->lines === null ? $client->since + self::CONTROL : ($client->lines->valid() ? $client->due : null));
            $due = $at === null ? $due : min($due ?? $at, $at);
        }

        return $due === null ? null : max(0.0, $due - $now) + 1e-4;
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
        $lines = $client->lines;
        if (!$this->sent($client)) {
            $this->close($id);

            return;
        }
        while ($client->unsent === '' && $lines->valid() && $now >= $client->due) {
            $line = $lines->current()[1];
            $client->unsent = $line === "\0drop" ? '' : (str_ends_with($line, '@0') ? $line : "{$line}\r\n");
            if ($line === "\0drop" || !$this->sent($client)) {
                $this->close($id);

                return;
            }
            $lines->next();
            $client->due += $lines->valid() ? $lines->current()[0] : 1e9;
        }
    }

    /**
     * As much as the other side takes; the rest waits.
     *
     * @phpstan-impure
     */
    private function sent(Client $client): bool
    {
        if ($client->unsent === '') {
            return true;
        }
        $bytes = @fwrite($client->socket, $client->unsent);
        $client->unsent = $bytes === false ? $client->unsent : substr($client->unsent, $bytes);

        return $bytes !== false;
    }

    private function close(int $id): void
    {
        fclose($this->clients[$id]->socket);
        unset($this->clients[$id]);
    }
}
