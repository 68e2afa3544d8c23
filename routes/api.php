<?php

declare(strict_types=1);

use App\Batteries\BatteryController;
use App\Batteries\CalendarController;
use App\Capacitors\CapacitorController;
use App\Corrosion\LeakController;
use App\Http\ComputeController;
use App\Http\OpenApiController;
use App\Instruments\MeterController;
use App\Instruments\SerialPortController;
use App\Logbook\BenchController;
use App\Logbook\BoardController;
use App\Logbook\EntryController;
use App\Logbook\JobController;
use App\Logbook\MachineController;
use App\Logbook\PhotoController;
use App\Logbook\StripController;
use App\Memory\MemoryController;
use App\Memory\TablesController;
use App\People\PeopleController;
use App\People\SessionController;
use App\Rails\RunController;
use App\Report\LinkController;
use App\Shelf\ShelfController;
use Illuminate\Support\Facades\Route;

// Public: nothing of the record.
Route::get('openapi.json', [OpenApiController::class, 'show']);
Route::post('session', [SessionController::class, 'store'])->middleware('throttle:sign-in')->name('session.open');

// Everything else needs a session and one ability (App\People\Ability).
Route::middleware('auth:sanctum')->group(static function (): void {
    Route::middleware('can:read')->group(static function (): void {
        Route::get('session', [SessionController::class, 'show']);
        Route::delete('session', [SessionController::class, 'destroy'])->name('session.close');
        Route::get('bench', [BenchController::class, 'show']);
        Route::get('jobs', [JobController::class, 'index']);
        Route::get('jobs/{job}', [JobController::class, 'show']);
        Route::get('jobs/{job}/strip', [StripController::class, 'show']);
        Route::get('jobs/{job}/photos', [PhotoController::class, 'index']);
        Route::get('jobs/{job}/battery', [BatteryController::class, 'show']);
        Route::get('jobs/{job}/leaks', [LeakController::class, 'show']);
        Route::get('machines', [MachineController::class, 'index']);
        Route::get('machines/{machine}', [MachineController::class, 'show']);
        Route::get('boards/{board}', [BoardController::class, 'show']);
        Route::get('boards/{board}/series', [BoardController::class, 'series']);
        Route::get('rail-runs/{run}', [RunController::class, 'show']);
        Route::get('meters', [MeterController::class, 'index']);
        Route::get('meters/{meter}/scene', [MeterController::class, 'scene']);
        Route::get('jobs/{job}/capacitors', [CapacitorController::class, 'show']);
        Route::get('jobs/{job}/substitutes', [CapacitorController::class, 'substitutes']);
        Route::get('shelf', [ShelfController::class, 'index']);
        Route::get('shelf/{item}', [ShelfController::class, 'show']);
        Route::get('shopping', [ShelfController::class, 'shopping']);
        Route::get('labels', [ShelfController::class, 'labels']);
        Route::get('jobs/{job}/memory', [MemoryController::class, 'show']);
        Route::get('jobs/{job}/soak', [MemoryController::class, 'soak']);
        Route::get('memory-sources/{source}', [MemoryController::class, 'source']);
        Route::get('memory/tables', [TablesController::class, 'show']);
        Route::get('serial-ports', [SerialPortController::class, 'index']);
        Route::get('serial-ports/{port}/scene', [SerialPortController::class, 'scene']);
        Route::get('jobs/{job}/report-links', [LinkController::class, 'index'])->can('lead');
    });
    Route::middleware('can:record')->group(static function (): void {
        Route::post('jobs', [JobController::class, 'store']);
        Route::post('jobs/{job}/entries', [EntryController::class, 'store']);
        Route::post('logbook/line', [EntryController::class, 'preview']);
        Route::post('jobs/{job}/rail-runs', [RunController::class, 'store']);
        Route::post('rail-runs/{run}/take', [RunController::class, 'take']);
        Route::post('compute/{room}/{verb}', [ComputeController::class, 'compute']);
        Route::post('jobs/{job}/photos', [PhotoController::class, 'store']);
        Route::post('jobs/{job}/battery-options', [BatteryController::class, 'options']);
        Route::post('jobs/{job}/continuity/take', [LeakController::class, 'take']);
        Route::post('jobs/{job}/capacitors/take', [CapacitorController::class, 'take']);
        Route::post('capacitors/decode', [CapacitorController::class, 'decode']);
        Route::post('shelf', [ShelfController::class, 'store']);
        Route::post('shelf/import', [ShelfController::class, 'import']);
        Route::put('shelf/{item}', [ShelfController::class, 'update']);
        Route::post('shelf/{item}/moves', [ShelfController::class, 'move']);
        Route::post('shelf/{item}/reservations', [ShelfController::class, 'reserve']);
        Route::delete('shelf-reservations/{reservation}', [ShelfController::class, 'release']);
        Route::post('jobs/{job}/memory-sources', [MemoryController::class, 'text']);
        Route::post('jobs/{job}/memory-sources/csv', [MemoryController::class, 'csv']);
        Route::post('jobs/{job}/captures', [MemoryController::class, 'capture']);
        Route::put('memory-sources/{source}', [MemoryController::class, 'again']);
        Route::post('memory-sources/{source}/stop', [MemoryController::class, 'stop']);
        Route::post('memory/fit', [TablesController::class, 'fit']);
        Route::post('memory/sum', [TablesController::class, 'sum']);
        Route::post('memory/coverage', [TablesController::class, 'coverage']);
        Route::post('memory/time', [TablesController::class, 'time']);
        Route::post('memory/soak', [TablesController::class, 'soak']);
        Route::post('memory/rows', [TablesController::class, 'rows']);
        Route::post('memory/check', [TablesController::class, 'check']);
        Route::put('serial-ports/{port}/scene', [SerialPortController::class, 'chooseScene']);
        Route::post('calendar', [CalendarController::class, 'store']);
        Route::delete('calendar', [CalendarController::class, 'destroy']);
        Route::post('machines', [MachineController::class, 'store']);
        Route::put('machines/{machine}/profile', [MachineController::class, 'update']);
        Route::post('boards/import', [BoardController::class, 'import']);
        Route::put('meters/{meter}/scene', [MeterController::class, 'chooseScene']);
    });
    Route::middleware('can:lead')->group(static function (): void {
        Route::post('meters', [MeterController::class, 'store']);
        Route::put('meters/{meter}', [MeterController::class, 'update']);
        Route::post('meters/{meter}/check', [MeterController::class, 'check']);
        Route::post('serial-ports', [SerialPortController::class, 'store']);
        Route::put('serial-ports/{port}', [SerialPortController::class, 'update']);
        Route::get('people', [PeopleController::class, 'index']);
        Route::post('people', [PeopleController::class, 'store']);
        Route::put('people/{person}', [PeopleController::class, 'update']);
        Route::post('jobs/{job}/report-links', [LinkController::class, 'store']);
        Route::delete('report-links/{link}', [LinkController::class, 'destroy']);
    });
});
