<?php

declare(strict_types=1);

use Elmstone\Tills\TillController;
use Illuminate\Support\Facades\Route;

Route::middleware('can:count-till')->group(function (): void {
    Route::get('/till', [TillController::class, 'show'])->name('till');
    Route::post('/till/open', [TillController::class, 'open'])->name('till.open');
    Route::post('/till/cash', [TillController::class, 'cash'])->name('till.cash');
    Route::get('/till/count', [TillController::class, 'count'])->name('till.count');
    Route::post('/till/count', [TillController::class, 'fix'])->name('till.fix');
    Route::post('/till/count/sums', [TillController::class, 'sums'])->name('till.sums');
    Route::get('/till/sessions/{session}', [TillController::class, 'session'])->name('till.session');
});

Route::middleware('can:close-till')->group(function (): void {
    Route::post('/till/go-on', [TillController::class, 'goOn'])->name('till.go-on');
    Route::post('/till/close', [TillController::class, 'close'])->name('till.close');
});
