<?php

declare(strict_types=1);

use App\Batteries\CalendarController;
use App\Logbook\BoardController;
use App\Logbook\MachineController;
use App\Logbook\PhotoController;
use App\Report\ReportController;
use App\Shelf\ShelfController;
use Illuminate\Support\Facades\Route;

// For an owner: signed, expiring, one report.
Route::get('owner-report/{link}', [ReportController::class, 'owner'])->middleware(['signed', 'throttle:api'])->name('report.owner');

// A calendar reads this without a session; the address is the secret.
Route::get('calendar/{secret}.ics', [CalendarController::class, 'feed'])->where('secret', '[0-9a-f]{40}')->middleware('throttle:api');

// What is opened or saved by the browser itself, outside the API.
Route::middleware(['auth', 'can:read', 'throttle:api'])->group(static function (): void {
    Route::get('jobs/{job}/report/sheet', [ReportController::class, 'sheet']);
    Route::get('jobs/{job}/report.pdf', [ReportController::class, 'pdf']);
    Route::get('photos/{photo}', [PhotoController::class, 'picture']);
    Route::get('photos/{photo}/thumbnail', [PhotoController::class, 'thumbnail']);
    Route::get('machines/{machine}/profile.json', [MachineController::class, 'export']);
    Route::get('boards/{board}/record.json', [BoardController::class, 'export']);
    Route::get('shelf.csv', [ShelfController::class, 'csv']);
    Route::get('shopping.csv', [ShelfController::class, 'shoppingCsv']);
    Route::get('boards/{board}/readings.csv', [BoardController::class, 'csv']);
});

// Every other address is a screen of the application.
Route::view('{screen?}', 'app')->where('screen', '^(?!api/|build/|sanctum/|up$).*$')->name('screen');
