<?php

declare(strict_types=1);

use Elmstone\Ledger\Audit\AuditController;
use Elmstone\Ledger\Pages\ChartController;
use Elmstone\Ledger\Pages\EntryController;
use Elmstone\Ledger\Pages\LedgerController;
use Elmstone\Ledger\Pages\YearController;
use Illuminate\Support\Facades\Route;

Route::middleware('can:see-ledger')->prefix('ledger')->name('ledger')->group(function (): void {
    Route::get('/', [LedgerController::class, 'index']);
    Route::get('/trial-balance.csv', [LedgerController::class, 'csv'])->name('.csv');
    Route::get('/journal', [LedgerController::class, 'journal'])->name('.journal');
    Route::get('/accounts', [ChartController::class, 'index'])->name('.chart');
    Route::get('/accounts/{account:number}', [LedgerController::class, 'account'])->name('.account');
    Route::get('/accounts/{account:number}/sheet.csv', [LedgerController::class, 'accountCsv'])
        ->name('.account.csv');
    Route::get('/years', [YearController::class, 'index'])->name('.years');

    Route::middleware('can:post-entries')->group(function (): void {
        Route::post('/accounts', [ChartController::class, 'store'])->name('.chart.store');
        Route::post('/accounts/{account:number}', [ChartController::class, 'update'])->name('.chart.update');
        Route::get('/entries/new', [EntryController::class, 'create'])->name('.entry');
        Route::post('/entries', [EntryController::class, 'store'])->name('.entry.store');
        Route::post('/entries/{document}/take-back', [EntryController::class, 'takeBack'])->name('.entry.back');
    });

    Route::middleware('can:close-year')->group(function (): void {
        Route::post('/years', [YearController::class, 'close'])->name('.years.close');
        Route::post('/years/reopen', [YearController::class, 'reopen'])->name('.years.reopen');
        Route::post('/years/ends', [YearController::class, 'ends'])->name('.years.ends');
    });
});

Route::middleware('can:audit')->prefix('auditor')->name('auditor')->group(function (): void {
    Route::get('/', [AuditController::class, 'index']);
    Route::get('/export.jsonl', [AuditController::class, 'file'])->name('.file');
    Route::get('/tables/{table}.csv', [AuditController::class, 'table'])->name('.table')
        ->whereIn('table', ['accounts', 'journal', 'documents', 'customers', 'tax']);
    Route::get('/description.txt', [AuditController::class, 'description'])->name('.description');
    Route::post('/check', [AuditController::class, 'check'])->name('.check');
});
