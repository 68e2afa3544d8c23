<?php

declare(strict_types=1);

namespace App\Report;

use App\Logbook\Job;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;

/** Makes one long report, in the background. */
final class MakePaper implements ShouldQueue
{
    use Queueable;

    public int $tries = 2;
    public int $timeout = 240;

    public function __construct(private readonly string $paper)
    {
    }

    public function handle(): void
    {
        $paper = Paper::query()->find($this->paper);
        if ($paper === null || $paper->state === PaperState::There) {
            return;
        }
        $sheet = ReportSheet::of(Job::query()->findOrFail($paper->job_id));
        $sections = $sheet->sections();
        $paper->update(['state' => PaperState::Making, 'done' => 0, 'total' => Printer::weight($sections)]);
        is_dir(dirname($paper->file())) || mkdir(dirname($paper->file()), 0o750, true);
        Printer::print($sheet, $sections, $paper->file(), static function (int $done) use ($paper): void {
            $paper->update(['done' => $done]);
        });
        $paper->update(['state' => PaperState::There]);
    }

    public function failed(?\Throwable $problem): void
    {
        Paper::query()->where('id', $this->paper)->update(['state' => PaperState::Failed, 'updated_at' => now()]);
    }
}
