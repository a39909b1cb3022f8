<?php

declare(strict_types=1);

use Elmstone\Tills\CountController;
use Elmstone\Tills\Days\CalendarController;
use Elmstone\Tills\Days\DaySheetController;
use Elmstone\Tills\Safe\SafeController;
use Elmstone\Tills\TermsController;
use Elmstone\Tills\TillController;
use Illuminate\Support\Facades\Route;

Route::middleware('can:count-till')->group(function (): void {
    Route::get('/till', [TillController::class, 'show'])->name('till');
    Route::post('/till/open', [TillController::class, 'open'])->name('till.open');
    Route::post('/till/cash', [TillController::class, 'cash'])->name('till.cash');
    Route::post('/till/hand-over', [TillController::class, 'handOver'])->name('till.hand-over');
    Route::get('/till/receipts/{petty}', [TillController::class, 'receipt'])->name('till.receipt');
    Route::get('/till/count', [CountController::class, 'show'])->name('till.count');
    Route::post('/till/count', [CountController::class, 'fix'])->name('till.fix');
    Route::post('/till/count/sums', [CountController::class, 'sums'])->name('till.sums');
    Route::get('/till/sessions/{session}', [CountController::class, 'session'])->name('till.session');
});

Route::middleware('can:close-till')->group(function (): void {
    Route::get('/till/reading', [TillController::class, 'reading'])->name('till.reading');
    Route::post('/till/go-on', [CountController::class, 'goOn'])->name('till.go-on');
    Route::post('/till/close', [CountController::class, 'close'])->name('till.close');
});

Route::middleware('can:bank')->group(function (): void {
    Route::get('/safe', [SafeController::class, 'show'])->name('safe');
    Route::get('/safe/count', [SafeController::class, 'count'])->name('safe.count');
    Route::post('/safe/count', [SafeController::class, 'counted'])->name('safe.counted');
    Route::post('/safe/fetch', [SafeController::class, 'fetch'])->name('safe.fetch');
    Route::post('/safe/pay-in', [SafeController::class, 'payIn'])->name('safe.pay-in');
    Route::post('/safe/cards', [SafeController::class, 'cards'])->name('safe.cards');
    Route::get('/safe/lodgements/{lodgement}', [SafeController::class, 'lodgement'])->name('safe.lodgement');
    Route::get('/safe/lodgements/{lodgement}/slip.pdf', [SafeController::class, 'slip'])->name('safe.slip');
    Route::post('/safe/lodgements/{lodgement}/credited', [SafeController::class, 'credited'])->name('safe.credited');
    Route::post('/safe/lodgements/{lodgement}/settle', [SafeController::class, 'settle'])->name('safe.settle');
});

Route::middleware('can:see-day')->group(function (): void {
    Route::get('/day', [DaySheetController::class, 'sheet'])->name('day');
    Route::get('/day.pdf', [DaySheetController::class, 'paper'])->name('day.paper');
    Route::get('/calendar', [CalendarController::class, 'calendar'])->name('calendar');
    Route::post('/calendar/close', [CalendarController::class, 'close'])
        ->middleware('can:close-day')
        ->name('calendar.close');
    Route::post('/calendar/reopen', [CalendarController::class, 'reopen'])
        ->middleware('can:reopen')
        ->name('calendar.reopen');
    Route::middleware('can:close-month')->group(function (): void {
        Route::post('/calendar/prove', [CalendarController::class, 'prove'])->name('calendar.prove');
        Route::post('/calendar/month', [CalendarController::class, 'closeMonth'])->name('calendar.month');
    });
    Route::post('/calendar/month/reopen', [CalendarController::class, 'reopenMonth'])
        ->middleware('can:reopen')
        ->name('calendar.month.reopen');
});

Route::middleware('can:set-house-terms')->group(function (): void {
    Route::get('/till/terms', [TermsController::class, 'show'])->name('till.terms');
    Route::post('/till/terms', [TermsController::class, 'save'])->name('till.terms.save');
    Route::post('/till/terms/{till}', [TermsController::class, 'drawer'])->name('till.terms.drawer');
});
