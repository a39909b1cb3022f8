<?php

declare(strict_types=1);

use Elmstone\Devices\ChooseDeviceController;
use Elmstone\Devices\DevicesController;
use Elmstone\Devices\StandIns;
use Illuminate\Support\Facades\Route;

Route::middleware('can:sell')->group(function (): void {
    Route::get('/till/devices', [ChooseDeviceController::class, 'show'])->name('till.devices');
    Route::post('/till/devices', [ChooseDeviceController::class, 'choose'])->name('till.devices.choose');
});

Route::middleware(['can:play-devices', StandIns::class])->group(function (): void {
    Route::get('/devices', [DevicesController::class, 'show'])->name('devices');
    Route::post('/devices/terminal', [DevicesController::class, 'terminal'])->name('devices.terminal');
    Route::post('/devices/batch', [DevicesController::class, 'batch'])->name('devices.batch');
    Route::post('/devices/printer', [DevicesController::class, 'printer'])->name('devices.printer');
    Route::post('/devices/mailbox', [DevicesController::class, 'mailbox'])->name('devices.mailbox');
    Route::get('/devices/papers/{paper}', [DevicesController::class, 'paper'])->name('devices.paper');
    Route::get('/devices/mails/{mail}/attachment', [DevicesController::class, 'attachment'])
        ->middleware('can:see-mailbox')
        ->name('devices.attachment');
    Route::post('/devices/display/{till}/sign', [DevicesController::class, 'sign'])->name('devices.display.sign');
    Route::get('/devices/display/{till}', [DevicesController::class, 'display'])->name('devices.display');
});
