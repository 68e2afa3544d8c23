<?php

declare(strict_types=1);

namespace App\Bench;

use Symfony\Component\HttpFoundation\StreamedResponse;

/** CSV (RFC 4180) as a file to save, written row by row. Text that a spreadsheet would run as a formula is disarmed with an apostrophe. */
final readonly class Csv
{
    /**
     * @param list<string>                          $columns
     * @param iterable<list<string|float|int|null>> $rows
     */
    public static function file(string $name, array $columns, iterable $rows): StreamedResponse
    {
        return new StreamedResponse(static function () use ($columns, $rows): void {
            $out = fopen('php://output', 'w') ?: throw new \RuntimeException('no output');
            self::line($out, $columns);
            foreach ($rows as $row) {
                self::line($out, array_map(self::safe(...), $row));
            }
            fclose($out);
        }, 200, ['Content-Type' => 'text/csv; charset=utf-8; header=present', 'Content-Disposition' => "attachment; filename=\"{$name}\""]);
    }

    /** OWASP, "CSV Injection": a cell that begins with one of these may be taken for a formula. A number is one only as text. */
    public static function safe(string|float|int|null $cell): string
    {
        return match (true) {
            is_float($cell) => (string) json_encode($cell),
            is_string($cell) && preg_match('/^[=+\-@\t\r\n]/', $cell) === 1 => "'{$cell}",
            default => (string) $cell,
        };
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
