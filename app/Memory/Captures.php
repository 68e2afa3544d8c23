<?php

declare(strict_types=1);

namespace App\Memory;

use Illuminate\Console\Command;
use Illuminate\Database\QueryException;
use Illuminate\Support\Facades\DB;

/** The capture program: bin/start keeps it running. */
final class Captures extends Command
{
    protected $signature = 'ash:captures';
    protected $description = 'Listen to memory testers on serial ports';

    private bool $on = true;

    public function handle(): int
    {
        $this->trap([SIGTERM, SIGINT], function (): void {
            $this->on = false;
        });
        $loop = new CaptureLoop();
        while ($this->on) {
            try {
                $loop->turn();
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
}
