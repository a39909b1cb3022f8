<?php

declare(strict_types=1);

use Elmstone\KeptCards\KeptCardController;
use Illuminate\Support\Facades\Route;

Route::middleware('can:edit-customers')->group(function (): void {
    Route::post('/customers/{customer}/cards', [KeptCardController::class, 'keep'])->name('kept-cards.keep');
    Route::post('/customers/{customer}/cards/{kept}/remove', [KeptCardController::class, 'remove'])
        ->whereNumber('kept')
        ->name('kept-cards.remove');
});
