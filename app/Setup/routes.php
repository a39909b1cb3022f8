<?php

declare(strict_types=1);

use Elmstone\Setup\ChangesController;
use Elmstone\Setup\RightsController;
use Elmstone\Setup\SettingsController;
use Illuminate\Support\Facades\Route;

Route::get('/settings', [SettingsController::class, 'index'])->middleware('can:set-house-terms')->name('settings');

Route::middleware('can:set-house')->group(function (): void {
    Route::get('/settings/changes', [ChangesController::class, 'index'])->name('settings.changes');
    Route::get('/settings/changes.csv', [ChangesController::class, 'csv'])->name('settings.changes.csv');
    Route::get('/settings/{section}', [SettingsController::class, 'show'])->name('settings.section');
    Route::post('/settings/{section}', [SettingsController::class, 'keep'])->name('settings.keep');
});

Route::middleware('can:manage-staff')->group(function (): void {
    Route::get('/rights', [RightsController::class, 'show'])->name('rights');
    Route::post('/rights', [RightsController::class, 'keep'])->name('rights.keep');
});
