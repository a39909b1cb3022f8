<?php

declare(strict_types=1);

use Elmstone\Deliveries\Pages\BoardController;
use Elmstone\Deliveries\Pages\StopController;
use Elmstone\Deliveries\Pages\VehicleController;
use Illuminate\Support\Facades\Route;

Route::middleware('can:see-orders')->group(function (): void {
    Route::get('/deliveries', [BoardController::class, 'index'])->name('deliveries');
    Route::get('/deliveries/run/{vehicle}', [StopController::class, 'run'])->name('deliveries.run');
    Route::get('/deliveries/run/{vehicle}/sheet.pdf', [BoardController::class, 'sheet'])->name('deliveries.sheet');
    Route::get('/deliveries/stops/{stop}', [StopController::class, 'show'])->name('deliveries.stop');
    Route::middleware('can:sell')->group(function (): void {
        Route::post('/deliveries', [BoardController::class, 'put'])->name('deliveries.put');
        Route::post('/deliveries/stops/{stop}/move', [BoardController::class, 'move'])->name('deliveries.move');
        Route::post('/deliveries/stops/{stop}/give', [BoardController::class, 'give'])->name('deliveries.give');
        Route::post('/deliveries/stops/{stop}/take-off', [BoardController::class, 'takeOff'])->name(
            'deliveries.take-off',
        );
        Route::post('/deliveries/stops/{stop}/delivered', [StopController::class, 'delivered'])->name(
            'deliveries.delivered',
        );
        Route::post('/deliveries/stops/{stop}/failed', [StopController::class, 'failed'])->name('deliveries.failed');
        Route::post('/deliveries/stops/{stop}/invoice', [StopController::class, 'invoice'])->name(
            'deliveries.invoice',
        );
    });
    Route::middleware('can:set-house-terms')->group(function (): void {
        Route::get('/vehicles', [VehicleController::class, 'index'])->name('vehicles');
        Route::post('/vehicles', [VehicleController::class, 'store'])->name('vehicles.store');
        Route::post('/vehicles/{vehicle}', [VehicleController::class, 'update'])->name('vehicles.update');
    });
});
