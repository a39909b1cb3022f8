<?php

declare(strict_types=1);

use Elmstone\Cards\SurchargeController;
use Illuminate\Support\Facades\Route;

Route::middleware('can:set-house-terms')->group(function (): void {
    Route::get('/surcharges', [SurchargeController::class, 'index'])->name('surcharges');
    Route::post('/surcharges/signatures', [SurchargeController::class, 'signatures'])->name('surcharges.signatures');
    Route::post('/surcharges/{location}', [SurchargeController::class, 'save'])->name('surcharges.save');
});
