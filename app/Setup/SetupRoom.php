<?php

declare(strict_types=1);

namespace App\Setup;

use App\Logbook\Entry;
use App\Logbook\Job;
use App\Logbook\Room;
use App\Logbook\StandingOfJob;
use Ash\Facts\Facts;
use Ash\Logbook\Profile;
use Ash\Setup\SettingSaid;
use Ash\Setup\SetupSheet;
use Illuminate\Support\Facades\Route;

/** What jumpers and switches bring on this floor. */
final class SetupRoom extends Room
{
    public function name(): string
    {
        return 'setup';
    }

    public function reads(): void
    {
        Route::get('jobs/{job}/setup', [SetupController::class, 'show']);
    }

    public function decides(): array
    {
        return [SettingSaid::KIND];
    }

    public function facts(Job $job, Profile $profile, Facts $known): array
    {
        $sheet = self::sheet($job);

        return $sheet === null ? [] : [$sheet, ...$sheet->answers()];
    }

    public static function sheet(Job $job): ?SetupSheet
    {
        $said = StandingOfJob::here()->of($job->id, SettingSaid::KIND)->map(static fn (Entry $it): ?SettingSaid => $it->as(SettingSaid::class));

        return SetupSheet::of(array_values(array_filter($said->all())));
    }
}
