<?php

declare(strict_types=1);

use App\Http\OpenApiController;
use App\Logbook\House;
use App\People\PeopleController;
use App\People\SessionController;
use Illuminate\Support\Facades\Route;

// Public: nothing of the record.
Route::get('openapi.json', [OpenApiController::class, 'show']);
Route::post('session', [SessionController::class, 'store'])->name('session.open');

// Everything else needs a session and one ability (App\People\Ability).
Route::middleware('auth:sanctum')->group(static function (): void {
    Route::middleware('can:read')->group(static function (): void {
        Route::get('session', [SessionController::class, 'show']);
        Route::delete('session', [SessionController::class, 'destroy'])->name('session.close');
        foreach (House::here()->rooms as $room) {
            $room->reads();
        }
    });
    Route::middleware('can:record')->group(static function (): void {
        foreach (House::here()->rooms as $room) {
            $room->records();
        }
    });
    Route::middleware('can:lead')->group(static function (): void {
        Route::get('people', [PeopleController::class, 'index']);
        Route::post('people', [PeopleController::class, 'store']);
        Route::put('people/{person}', [PeopleController::class, 'update']);
        foreach (House::here()->rooms as $room) {
            $room->leads();
        }
    });
});
