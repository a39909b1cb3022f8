<?php

declare(strict_types=1);

use Elmstone\GiftCards\GiftCardController;
use Illuminate\Support\Facades\Route;

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
