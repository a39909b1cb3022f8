<?php

declare(strict_types=1);

use Elmstone\Takings\TakingsController;
use Illuminate\Support\Facades\Route;

Route::middleware('can:take-payments')->group(function (): void {
    Route::get('/takings', [TakingsController::class, 'show'])->name('takings');
    Route::post('/takings/check', [TakingsController::class, 'check'])->name('takings.check');
    Route::post('/takings', [TakingsController::class, 'post'])->name('takings.post');
});
Route::post('/takings/terms', [TakingsController::class, 'save'])
    ->middleware('can:set-house-terms')
    ->name('takings.terms');
