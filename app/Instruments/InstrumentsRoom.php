<?php

declare(strict_types=1);

namespace App\Instruments;

use App\Logbook\Room;
use Illuminate\Support\Facades\Route;

/** Meters and serial ports: the ports to the outside. */
final class InstrumentsRoom extends Room
{
    public function name(): string
    {
        return 'instruments';
    }

    public function reads(): void
    {
        Route::get('meters', [MeterController::class, 'index']);
        Route::get('meters/{meter}/scene', [MeterController::class, 'scene']);
        Route::get('serial-ports', [SerialPortController::class, 'index']);
        Route::get('serial-ports/{port}/scene', [SerialPortController::class, 'scene']);
    }

    public function records(): void
    {
        Route::put('meters/{meter}/scene', [MeterController::class, 'chooseScene']);
        Route::put('serial-ports/{port}/scene', [SerialPortController::class, 'chooseScene']);
    }

    public function leads(): void
    {
        Route::post('meters', [MeterController::class, 'store']);
        Route::put('meters/{meter}', [MeterController::class, 'update']);
        Route::post('meters/{meter}/check', [MeterController::class, 'check']);
        Route::post('serial-ports', [SerialPortController::class, 'store']);
        Route::put('serial-ports/{port}', [SerialPortController::class, 'update']);
    }
}
