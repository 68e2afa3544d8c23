<?php

declare(strict_types=1);

namespace App\Report;

use App\Http\Once;
use Illuminate\Support\Facades\DB;

/** Long reports on paper: found when nothing has changed since, else asked for. */
final readonly class Papers
{
    private const DAYS = 7;

    /** Seconds after which one that failed is tried again, or one that nobody works on any more. */
    private const AGAIN = 60;
    private const GIVEN_UP = 600;

    /** The report as the record is now; null while it was never asked for. */
    public static function known(ReportSheet $sheet): ?Paper
    {
        return Paper::query()->where('job_id', $sheet->job->id)->where('record', self::digest($sheet))->first();
    }

    public static function asked(ReportSheet $sheet): Paper
    {
        self::tidy();
        [$paper, $new] = Once::made(
            static fn (): ?Paper => self::known($sheet),
            static fn (): Paper => Paper::query()->create([
                'job_id' => $sheet->job->id, 'record' => self::digest($sheet), 'state' => PaperState::Waiting, 'total' => Printer::weight($sheet->sections()),
            ]),
        );
        $quiet = now()->getTimestamp() - $paper->updated_at->getTimestamp();
        $lost = match ($paper->state) {
            PaperState::There => !is_file($paper->file()),
            PaperState::Failed => $quiet >= self::AGAIN,
            default => $quiet >= self::GIVEN_UP,
        };
        if ($new || $lost) {
            $paper->forceFill(['state' => PaperState::Waiting, 'done' => 0, 'updated_at' => now()])->save();
            MakePaper::dispatch($paper->id);
        }

        return $paper->refresh();
    }

    /** Of everything that is on a report. */
    private static function digest(ReportSheet $sheet): string
    {
        return hash('xxh128', json_encode([
            $sheet->job->getAttributes(), $sheet->machine->getAttributes(), $sheet->board->getAttributes(), $sheet->lastEntries(), config('app.version'),
        ], JSON_THROW_ON_ERROR | JSON_INVALID_UTF8_SUBSTITUTE));
    }

    private static function tidy(): void
    {
        foreach (Paper::query()->where('created_at', '<', now()->subDays(self::DAYS))->limit(50)->get() as $old) {
            @unlink($old->file());
            DB::table('papers')->where('id', $old->id)->delete();
        }
    }
}
