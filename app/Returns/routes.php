<?php

declare(strict_types=1);

use Elmstone\Returns\RulesController;
use Elmstone\Returns\WriteOffController;
use Illuminate\Support\Facades\Route;

Route::middleware('can:write-off')->group(function (): void {
    Route::get('/write-offs', [WriteOffController::class, 'show'])->name('write-offs');
    Route::post('/write-offs', [WriteOffController::class, 'store'])->name('write-offs.store');
    Route::post('/write-offs/{document}/take-back', [WriteOffController::class, 'takeBack'])->name(
        'write-offs.take-back',
    );
});

Route::middleware('can:set-house-terms')->group(function (): void {
    Route::get('/return-rules', [RulesController::class, 'show'])->name('return-rules');
    Route::post('/return-rules', [RulesController::class, 'save'])->name('return-rules.store');
    Route::post('/return-rules/settings', [RulesController::class, 'settings'])->name('return-rules.settings');
    Route::post('/return-rules/{policy}', [RulesController::class, 'save'])->name('return-rules.update');
});
