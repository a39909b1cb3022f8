<?php

declare(strict_types=1);

use Elmstone\Rewards\RewardsController;
use Illuminate\Support\Facades\Route;

Route::get('/rewards', [RewardsController::class, 'index'])->middleware('can:see-credits')->name('rewards');
Route::post('/rewards/terms', [RewardsController::class, 'save'])
    ->middleware('can:set-house-terms')
    ->name('rewards.terms');
Route::middleware('can:edit-customers')->group(function (): void {
    Route::post('/customers/{customer}/rewards', [RewardsController::class, 'join'])->name('rewards.join');
    Route::post('/customers/{customer}/rewards/leave', [RewardsController::class, 'leave'])->name('rewards.leave');
});
