<?php

declare(strict_types=1);

use Elmstone\StoreCredit\StoreCreditController;
use Illuminate\Support\Facades\Route;

Route::middleware('can:see-credits')->group(function (): void {
    Route::get('/store-credit', [StoreCreditController::class, 'index'])->name('store-credit');
    Route::get('/store-credit.csv', [StoreCreditController::class, 'csv'])->name('store-credit.csv');
    Route::get('/store-credit/{customer}', [StoreCreditController::class, 'show'])->name('store-credit.show');
});

Route::post('/store-credit/{customer}/pay-out', [StoreCreditController::class, 'payOut'])
    ->middleware('can:give-credit')
    ->name('store-credit.pay-out');
