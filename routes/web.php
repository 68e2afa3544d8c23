<?php

declare(strict_types=1);

use App\Http\ShellWorkerController;
use App\Http\UpController;
use App\Logbook\House;
use Illuminate\Support\Facades\Route;

foreach (House::here()->rooms as $room) {
    $room->open();
}

Route::get('up', [UpController::class, 'show'])->withoutMiddleware('web');

// What is opened or saved by the browser itself, outside the API.
Route::middleware(['auth', 'can:read', 'throttle:api'])->group(static function (): void {
    foreach (House::here()->rooms as $room) {
        $room->pages();
    }
});

// Every other address is a screen of the application.
Route::get('shell-worker.js', [ShellWorkerController::class, 'show'])->withoutMiddleware('web');
Route::view('{screen?}', 'app')->where('screen', '^(?!api/|build/|sanctum/|up$).*$')->name('screen');
