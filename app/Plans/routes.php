<?php

declare(strict_types=1);

use Elmstone\Plans\PlanController;
use Illuminate\Support\Facades\Route;

Route::middleware('can:see-layaways')->group(function (): void {
    Route::get('/plans', [PlanController::class, 'index'])->name('plans');
    Route::get('/plans/{plan}', [PlanController::class, 'show'])->name('plans.show');
    Route::get('/documents/{document}/plan', [PlanController::class, 'create'])
        ->middleware('can:make-plans')
        ->name('plans.create');
    Route::post('/documents/{document}/plan', [PlanController::class, 'store'])
        ->middleware('can:make-plans')
        ->name('plans.store');
    Route::post('/plans/{plan}/settle', [PlanController::class, 'settle'])
        ->middleware('can:take-payments')
        ->name('plans.settle');
});
