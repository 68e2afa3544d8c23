<?php

declare(strict_types=1);

namespace App\Memory;

use App\Http\Heartbeat;
use Illuminate\Console\Command;
use Illuminate\Database\QueryException;
use Illuminate\Support\Facades\DB;

/** The capture program: bin/start keeps it running. It also takes away, once an hour, what nobody kept. */
final class Captures extends Command
{
    protected $signature = 'ash:captures';
    protected $description = 'Listen to memory testers on serial ports';

    /** Seconds between two looks for what nobody kept. */
    private const TIDY_EVERY = 3600;

    /** Seconds between two looks at whether it is the one that listens, and microseconds to wait while it is not. */
    private const ASK_EVERY = 1.0;
    private const WAIT_US = 300_000;

    private bool $on = true;
    private bool $alone = false;
    private float $asked = 0.0;
    private float $tidied = 0.0;

    public function handle(): int
    {
        $this->trap([SIGTERM, SIGINT], function (): void {
            $this->on = false;
        });
        $loop = new CaptureLoop();
        while ($this->on) {
            try {
                if ($this->alone()) {
                    $loop->turn();
                    $this->tidy();
                } else {
                    // Another server's program listens, or has taken over: the lines of a source are written by one.
                    $loop->drop();
                    Heartbeat::beat('captures');
                    usleep(self::WAIT_US);
                }
            } catch (QueryException|\PDOException $problem) {
                // The database is away: lines stay in the sockets' buffers until it is back.
                fwrite(STDERR, date('c')." {$problem->getMessage()}\n");
                $loop->drop();
                DB::disconnect();
                sleep(1);
            }
        }
        $loop->close();

        return self::SUCCESS;
    }

    /** One for the whole installation, however many servers run it. The lock belongs to the connection, and ends with it. */
    private function alone(): bool
    {
        if (microtime(true) - $this->asked < self::ASK_EVERY) {
            return $this->alone;
        }
        $this->asked = microtime(true);
        $name = 'CONCAT(DATABASE(), \':captures\')';
        $its = DB::selectOne("SELECT IS_USED_LOCK({$name}) = CONNECTION_ID() AS mine");
        $got = $its?->mine === 1 ? 1 : DB::selectOne("SELECT GET_LOCK({$name}, 0) AS got")?->got;

        return $this->alone = $got === 1;
    }

    private function tidy(): void
    {
        if (microtime(true) - $this->tidied >= self::TIDY_EVERY) {
            $this->tidied = microtime(true);
            Tidying::run();
        }
    }
}
