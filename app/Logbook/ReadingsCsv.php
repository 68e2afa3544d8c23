<?php

declare(strict_types=1);

namespace App\Logbook;

use Illuminate\Support\Facades\DB;

/** Readings as CSV (RFC 4180), written row by row. Text that a spreadsheet would run as a formula is disarmed with an apostrophe. */
final readonly class ReadingsCsv
{
    private const COLUMNS = [
        'at', 'job', 'rail', 'test_point', 'load', 'volts', 'ripple_mvpp', 'amps', 'ohms_to_ground', 'limit_low_v', 'limit_high_v', 'verdict', 'superseded', 'author', 'entry',
    ];

    /** @param resource $out */
    public static function write(Board $board, $out): void
    {
        self::line($out, self::COLUMNS);
        $rows = DB::table('readings')->join('entries', 'entries.id', '=', 'readings.entry_id')->join('jobs', 'jobs.id', '=', 'entries.job_id')
            ->where('readings.board_id', $board->id)->orderBy('readings.at')->orderBy('entry_id')->select('readings.*', 'entries.author', 'jobs.number');
        foreach ($rows->lazy(1000) as $row) {
            $r = new Row($row);
            self::line($out, [
                Cards::time($r->string('at')), sprintf('J-%04d', $r->int('number')), self::safe($r->string('rail')), self::safe($r->string('test_point')), $r->string('load'),
                $r->string('volts'), $r->string('ripple_mvpp'), $r->string('amps'), $r->string('ohms_to_ground'), $r->string('limit_low'), $r->string('limit_high'),
                $r->string('verdict'), $r->int('superseded') === 1 ? 'yes' : 'no', self::safe($r->string('author')), $r->string('entry_id'),
            ]);
        }
        fclose($out);
    }

    /** OWASP, "CSV Injection": a cell that begins with one of these may be taken for a formula. */
    public static function safe(string $text): string
    {
        return preg_match('/^[=+\-@\t\r\n]/', $text) === 1 ? "'{$text}" : $text;
    }

    /**
     * @param resource     $out
     * @param list<string> $cells
     */
    private static function line($out, array $cells): void
    {
        fputcsv($out, $cells, escape: '', eol: "\r\n");
    }
}
