<?php

declare(strict_types=1);

use Elmstone\PayLinks\LinkPaymentController;
use Illuminate\Support\Facades\Route;

Route::middleware('can:take-payments')->group(function (): void {
    Route::get('/link-payments', [LinkPaymentController::class, 'index'])->name('link-payments');
    Route::post('/link-payments/{payment}/seen', [LinkPaymentController::class, 'seen'])
        ->whereNumber('payment')
        ->name('link-payments.seen');
    Route::post('/link-payments/{payment}/ask', [LinkPaymentController::class, 'ask'])
        ->whereNumber('payment')
        ->name('link-payments.ask');
});
Route::middleware('can:set-house-terms')->group(function (): void {
    Route::post('/link-payments/terms', [LinkPaymentController::class, 'save'])->name('link-payments.terms');
    Route::post('/link-payments/void', [LinkPaymentController::class, 'void'])->name('link-payments.void');
});
