<?php

declare(strict_types=1);

namespace App\Memory;

use App\Instruments\SerialCapture;
use App\Instruments\SerialPort;
use Illuminate\Support\Facades\DB;

/** One capture under way. */
final class Capturing
{
    private bool $fresh = true;
    private float $saved = 0.0;
    private float $heard;
    private bool $silent = false;

    /** @param resource $file */
    private function __construct(
        private readonly Source $source,
        public readonly SerialCapture $line,
        private readonly ReadSource $reader,
        private $file,
        private readonly float $silentAfter,
    ) {
        $this->heard = microtime(true);
    }

    /** What was written down before this process began is read first. */
    public static function begin(Source $source, SerialPort $port): self
    {
        /** @var array{connect_timeout: float, silent_after: float} $times */
        $times = config('instruments');
        $line = SerialCapture::open($port->address(), $times['connect_timeout']);
        $reader = ReadSource::of($source);
        $before = fopen($source->file(), 'r') ?: throw new \RuntimeException("{$source->file()} cannot be read");
        while (($text = fgets($before)) !== false) {
            $reader->line($text);
        }
        fclose($before);
        $file = fopen($source->file(), 'a') ?: throw new \RuntimeException("{$source->file()} cannot be written");

        return new self($source, $line, $reader, $file, $times['silent_after']);
    }

    public function listen(): void
    {
        $lines = $this->line->lines();
        if ($lines === []) {
            $this->hush();

            return;
        }
        fwrite($this->file, implode("\n", $lines)."\n");
        foreach ($lines as $line) {
            $this->reader->line($line);
        }
        $this->fresh = true;
        $this->heard = microtime(true);
        $this->silent = false;
    }

    public function ended(): bool
    {
        return $this->line->ended();
    }

    public function due(float $now, float $every): bool
    {
        return $now - $this->saved >= ($this->fresh ? $every : 4 * $every);
    }

    /** The row's state may have been set to stopping meanwhile: that is left to stand. */
    public function save(): void
    {
        $this->saved = microtime(true);
        DB::table('memory_sources')->where('id', $this->source->id)->whereIn('state', [SourceState::Running->value, SourceState::Silent->value])
            ->update(['state' => ($this->silent ? SourceState::Silent : SourceState::Running)->value]);
        DB::table('memory_sources')->where('id', $this->source->id)->update([
            'updated_at' => now()->format('Y-m-d H:i:s.v'),
            ...($this->fresh ? ['result' => $this->reader->result()->json(), 'heard_at' => now()->format('Y-m-d H:i:s.v')] : []),
        ]);
        $this->fresh = false;
    }

    private function hush(): void
    {
        if (!$this->silent && microtime(true) - $this->heard >= $this->silentAfter) {
            $this->silent = true;
            $this->saved = 0.0;
        }
    }
}
