<?php

declare(strict_types=1);

namespace App\Memory;

use App\Http\Heartbeat;
use App\Instruments\MeterLost;
use App\Instruments\SerialPort;
use Illuminate\Support\Facades\DB;

/**
 * Listens to every capture that is under way, in one process: lines go to the source's file as they come, and what they amount to
 * is written to its row at most four times a second, for the screens. A capture survives the browser and a restart of this process.
 */
final class CaptureLoop
{
    /** Seconds between two looks at the rows, and between two writings of one. */
    private const EVERY = 0.25;
    private const SELECT_US = 40_000;

    /** @var array<string, Capturing> by source */
    private array $open = [];
    private float $looked = 0.0;

    public function turn(): void
    {
        $now = microtime(true);
        if ($now - $this->looked >= self::EVERY) {
            $this->looked = $now;
            $this->look();
            Heartbeat::beat('captures');
        }
        $sockets = array_map(static fn (Capturing $it) => $it->line->socket, array_values($this->open));
        $none = null;
        if ($sockets === []) {
            usleep(self::SELECT_US);
        } elseif (@stream_select($sockets, $none, $none, 0, self::SELECT_US) === false) {
            usleep(self::SELECT_US);
        }
        foreach ($this->open as $id => $capture) {
            $capture->listen();
            if ($capture->ended() || $capture->due(microtime(true), self::EVERY)) {
                $capture->save();
            }
            if ($capture->ended()) {
                $this->end($id, SourceState::Lost, 'the tester closed the line'.($capture->line->rest() === '' ? '' : ' in the middle of a line'));
            }
        }
    }

    public function close(): void
    {
        foreach ($this->open as $capture) {
            $capture->save();
            $capture->line->close();
        }
        $this->open = [];
    }

    /** Lets go of everything without writing: what came in is in the files, and another may have gone on from there. */
    public function drop(): void
    {
        foreach ($this->open as $capture) {
            $capture->line->close();
        }
        $this->open = [];
    }

    private function look(): void
    {
        $active = Source::query()->whereIn('state', Sources::active())->get()->keyBy('id');
        foreach ($active as $id => $source) {
            if ($source->state === SourceState::Stopping) {
                $this->end((string) $id, SourceState::Stopped, $source->why);
            } elseif (!isset($this->open[$id])) {
                $this->begin($source);
            }
        }
        foreach (array_diff_key($this->open, $active->all()) as $id => $capture) {
            $capture->line->close();
            unset($this->open[$id]);
        }
    }

    private function begin(Source $source): void
    {
        try {
            $this->open[$source->id] = Capturing::begin($source, SerialPort::query()->findOrFail((string) $source->port_id));
        } catch (MeterLost) {
            self::lost($source, 'the serial port cannot be reached: is the adapter on, is the address right');
        } catch (\PDOException $away) {
            throw $away;
        } catch (\Throwable $problem) {
            // One capture that cannot be begun does not end the others.
            report($problem);
            self::lost($source, 'the capture could not be begun');
        }
    }

    private static function lost(Source $source, string $why): void
    {
        Source::query()->where('id', $source->id)->update(['state' => SourceState::Lost, 'why' => $why, 'updated_at' => now()]);
    }

    private function end(string $id, SourceState $state, ?string $why): void
    {
        $capture = $this->open[$id] ?? null;
        if ($capture !== null) {
            $capture->listen();
            $capture->save();
            $capture->line->close();
            unset($this->open[$id]);
        }
        DB::table('memory_sources')->where('id', $id)->update(['state' => $state->value, 'why' => $why, 'updated_at' => now()->format('Y-m-d H:i:s.v')]);
    }
}
