<?php

declare(strict_types=1);

namespace App\Report;

use App\Logbook\Room;
use Illuminate\Support\Facades\Route;

/** The report on paper, and links to it for owners. */
final class ReportRoom extends Room
{
    public function name(): string
    {
        return 'report';
    }

    public function reads(): void
    {
        Route::get('jobs/{job}/report-links', [LinkController::class, 'index'])->can('lead');
        Route::get('jobs/{job}/paper', [ReportController::class, 'paper']);
    }

    public function leads(): void
    {
        Route::post('jobs/{job}/report-links', [LinkController::class, 'store']);
        Route::delete('report-links/{link}', [LinkController::class, 'destroy']);
    }

    public function pages(): void
    {
        Route::get('jobs/{job}/report/sheet', [ReportController::class, 'sheet']);
        Route::get('jobs/{job}/report.pdf', [ReportController::class, 'pdf']);
    }

    public function open(): void
    {
        // For an owner: signed, expiring, one report.
        Route::get('owner-report/{link}', [ReportController::class, 'owner'])->middleware(['signed', 'throttle:api'])->name('report.owner');
    }
}
