<?php

declare(strict_types=1);

namespace App\Memory;

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

    private bool $on = true;
    private float $tidied = 0.0;

    public function handle(): int
    {
        $this->trap([SIGTERM, SIGINT], function (): void {
            $this->on = false;
        });
        $loop = new CaptureLoop();
        while ($this->on) {
            try {
                $loop->turn();
                $this->tidy();
            } catch (QueryException|\PDOException $problem) {
                // The database is away: lines stay in the sockets' buffers until it is back.
                fwrite(STDERR, date('c')." {$problem->getMessage()}\n");
                DB::disconnect();
                sleep(1);
            }
        }
        $loop->close();

        return self::SUCCESS;
    }

    private function tidy(): void
    {
        if (microtime(true) - $this->tidied >= self::TIDY_EVERY) {
            $this->tidied = microtime(true);
            Tidying::run();
        }
    }
}
