<?php

declare(strict_types=1);

use Elmstone\Reports\Pages\ForecastController;
use Elmstone\Reports\Pages\FrontController;
use Elmstone\Reports\Pages\ReportController;
use Illuminate\Support\Facades\Route;

Route::middleware('can:see-day')->prefix('reports')->name('reports')->group(function (): void {
    Route::get('/', [ReportController::class, 'index']);
    Route::get('/{report}', [ReportController::class, 'show'])->name('.show');
    Route::get('/{report}/table.csv', [ReportController::class, 'csv'])->name('.csv');
    Route::post('/kept/{kept}/forget', [ReportController::class, 'forget'])->name('.forget')->whereNumber('kept');
    Route::post('/{report}/keep', [ReportController::class, 'keep'])->name('.keep');
});

Route::middleware('can:see-day')->get('/today', FrontController::class)->name('today');

Route::middleware('can:see-ageing')->group(function (): void {
    Route::get('/forecast', [ForecastController::class, 'show'])->name('forecast');
    Route::get('/forecast/table.csv', [ForecastController::class, 'csv'])->name('forecast.csv');
});
