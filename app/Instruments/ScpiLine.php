<?php

declare(strict_types=1);

namespace App\Instruments;

/** A raw TCP socket that carries SCPI: one message a line, ended by a line feed (IEEE 488.2, 7.5). */
final class ScpiLine
{
    private const MAX_ANSWER = 1024;

    /** @param resource $socket */
    private function __construct(private $socket, private readonly float $timeout)
    {
    }

    /**
     * @param float $connectTimeout seconds
     * @param float $timeout        seconds for each answer
     *
     * @throws MeterLost
     */
    public static function open(Address $address, float $connectTimeout, float $timeout): self
    {
        $socket = @stream_socket_client($address->uri(), timeout: $connectTimeout);
        if ($socket === false) {
            throw MeterLost::because(MeterState::Unreachable);
        }
        stream_set_blocking($socket, false);

        return new self($socket, $timeout);
    }

    public function say(string $command): void
    {
        if (@fwrite($this->socket, "{$command}\n") === false) {
            throw MeterLost::because(MeterState::Dropped);
        }
    }

    /** @throws MeterLost when nothing, or only a part, comes back */
    public function ask(string $query): string
    {
        $this->say($query);
        $answer = '';
        $until = microtime(true) + $this->timeout;
        while (!str_ends_with($answer, "\n")) {
            $left = $until - microtime(true);
            $ready = [$this->socket];
            $none = null;
            if ($left <= 0 || stream_select($ready, $none, $none, (int) $left, (int) (fmod($left, 1) * 1e6)) === 0) {
                throw MeterLost::because(MeterState::Timeout);
            }
            $part = fread($this->socket, self::MAX_ANSWER);
            if (($part === '' || $part === false) && feof($this->socket)) {
                throw MeterLost::because(MeterState::Dropped);
            }
            $answer .= $part;
            if (strlen($answer) > self::MAX_ANSWER) {
                throw MeterLost::because(MeterState::WrongAnswer);
            }
        }

        return trim($answer);
    }

    public function close(): void
    {
        fclose($this->socket);
    }
}
