<?php

declare(strict_types=1);

use Elmstone\Deposits\DepositController;
use Illuminate\Support\Facades\Route;

Route::middleware('can:see-layaways')->group(function (): void {
    Route::get('/deposits', [DepositController::class, 'index'])->name('deposits');
    Route::get('/deposits.csv', [DepositController::class, 'csv'])->name('deposits.csv');
    Route::get('/deposits/{customer}', [DepositController::class, 'show'])->name('deposits.show');
    Route::post('/deposits/{customer}/pay-back', [DepositController::class, 'payBack'])
        ->middleware('can:end-layaways')
        ->name('deposits.pay-back');
});
