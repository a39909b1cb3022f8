<?php

declare(strict_types=1);

use Elmstone\Shares\Pages\RateController;
use Elmstone\Shares\Pages\ShareController;
use Illuminate\Support\Facades\Route;

Route::middleware('can:see-shares')->group(function (): void {
    Route::get('/shares', [ShareController::class, 'index'])->name('shares');
    Route::get('/shares/people/{staff}', [ShareController::class, 'show'])->name('shares.show');
    Route::get('/shares/people/{staff}.csv', [ShareController::class, 'csv'])->name('shares.csv');
});

Route::middleware('can:manage-shares')->group(function (): void {
    Route::post('/shares/people/{staff}/pay', [ShareController::class, 'pay'])->name('shares.pay');
    Route::get('/shares/rates', [RateController::class, 'index'])->name('shares.rates');
    Route::post('/shares/rates', [RateController::class, 'store'])->name('shares.rates.store');
    Route::post('/shares/rates/{rate}/end', [RateController::class, 'end'])->name('shares.rates.end')
        ->whereNumber('rate');
    Route::post('/shares/terms', [RateController::class, 'terms'])->name('shares.terms');
});
