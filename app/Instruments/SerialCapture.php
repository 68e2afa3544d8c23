<?php

declare(strict_types=1);

namespace App\Instruments;

/** A connection that only listens: whole lines of text as they come in. One long line without an end is cut, so that noise costs no memory. */
final class SerialCapture
{
    private const MAX_LINE = 4096;
    private const CHUNK = 65_536;

    private string $open = '';
    private bool $ended = false;

    /** @param resource $socket */
    private function __construct(public readonly mixed $socket)
    {
    }

    /** @throws MeterLost */
    public static function open(Address $address, float $connectTimeout): self
    {
        $socket = @stream_socket_client($address->uri(), timeout: $connectTimeout);
        if ($socket === false) {
            throw MeterLost::because(MeterState::Unreachable);
        }
        stream_set_blocking($socket, false);

        return new self($socket);
    }

    /** @return list<string> the lines that are whole, without their ends */
    public function lines(): array
    {
        $part = @fread($this->socket, self::CHUNK);
        if (($part === '' || $part === false) && feof($this->socket)) {
            $this->ended = true;

            return [];
        }
        $lines = explode("\n", str_replace("\r", '', $this->open.$part));
        $this->open = (string) array_pop($lines);
        if (strlen($this->open) > self::MAX_LINE) {
            $lines[] = substr($this->open, 0, self::MAX_LINE);
            $this->open = '';
        }

        return $lines;
    }

    /** The other side has closed the line. */
    public function ended(): bool
    {
        return $this->ended;
    }

    /** What came in after the last line's end. */
    public function rest(): string
    {
        return $this->open;
    }

    public function close(): void
    {
        fclose($this->socket);
    }
}
