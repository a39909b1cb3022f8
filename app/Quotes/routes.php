<?php

declare(strict_types=1);

use Elmstone\Quotes\Pages\QuoteController;
use Elmstone\Quotes\Pages\WorklistController;
use Illuminate\Support\Facades\Route;

Route::middleware('can:see-orders')->group(function (): void {
    Route::get('/quotes', [WorklistController::class, 'index'])->name('quotes');
    Route::get('/quotes.csv', [WorklistController::class, 'csv'])->name('quotes.csv');
    Route::get('/quotes/{quote}', [QuoteController::class, 'show'])->name('quotes.show');
    Route::get('/quotes/{quote}/quote.pdf', [QuoteController::class, 'pdf'])->name('quotes.pdf');
    Route::middleware('can:sell')->group(function (): void {
        Route::post('/quotes/{quote}/lost', [QuoteController::class, 'lost'])->name('quotes.lost');
        Route::post('/quotes/{quote}/later', [QuoteController::class, 'later'])->name('quotes.later');
        Route::post('/quotes/{quote}/mail', [QuoteController::class, 'mail'])->name('quotes.mail');
        Route::post('/quotes/{quote}/print', [QuoteController::class, 'print'])->name('quotes.print');
    });
});
