<?php

declare(strict_types=1);

use Elmstone\Held\Pages\DepositController;
use Elmstone\Held\Pages\GiftCardController;
use Elmstone\Held\Pages\StoreCreditController;
use Illuminate\Support\Facades\Route;

Route::middleware('can:see-layaways')->group(function (): void {
    Route::get('/deposits', [DepositController::class, 'index'])->name('deposits');
    Route::get('/deposits.csv', [DepositController::class, 'csv'])->name('deposits.csv');
    Route::get('/deposits/{customer}', [DepositController::class, 'show'])->name('deposits.show');
    Route::post('/deposits/{customer}/pay-back', [DepositController::class, 'payBack'])
        ->middleware('can:end-layaways')
        ->name('deposits.pay-back');
});

Route::middleware('can:see-credits')->group(function (): void {
    Route::get('/store-credit', [StoreCreditController::class, 'index'])->name('store-credit');
    Route::get('/store-credit.csv', [StoreCreditController::class, 'csv'])->name('store-credit.csv');
    Route::get('/store-credit/{customer}', [StoreCreditController::class, 'show'])->name('store-credit.show');
});

Route::post('/store-credit/{customer}/pay-out', [StoreCreditController::class, 'payOut'])
    ->middleware('can:give-credit')
    ->name('store-credit.pay-out');

Route::middleware('can:see-credits')->group(function (): void {
    Route::get('/gift-cards', [GiftCardController::class, 'index'])->name('gift-cards');
    Route::get('/gift-cards.csv', [GiftCardController::class, 'csv'])->name('gift-cards.csv');
    Route::post('/gift-cards/find', [GiftCardController::class, 'find'])->name('gift-cards.find');
    Route::get('/gift-cards/{card}', [GiftCardController::class, 'show'])->name('gift-cards.show');
});

Route::middleware('can:look-after-cards')
    ->prefix('/gift-cards/{card}')
    ->name('gift-cards.')
    ->group(function (): void {
        Route::post('/block', [GiftCardController::class, 'block'])->name('block');
        Route::post('/replace', [GiftCardController::class, 'replace'])->name('replace');
        Route::post('/extend', [GiftCardController::class, 'extend'])->name('extend');
    });
