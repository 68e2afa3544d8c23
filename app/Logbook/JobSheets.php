<?php

declare(strict_types=1);

namespace App\Logbook;

/** A job's head, read anew from the record when something beside the record has changed it. */
final readonly class JobSheets
{
    public static function renew(string $jobId): void
    {
        $job = Job::query()->lockForUpdate()->findOrFail($jobId);
        $job->sheet = SheetDocument::of(Gathered::sheet($job, $job->profile()));
        $job->save();
    }
}
