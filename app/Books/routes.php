<?php

declare(strict_types=1);

use Elmstone\Books\Pages\RegisterController;
use Illuminate\Support\Facades\Route;

Route::middleware('can:see-documents')->group(function (): void {
    Route::get('/documents', [RegisterController::class, 'index'])->name('documents');
    Route::get('/documents.csv', [RegisterController::class, 'csv'])->name('documents.csv');
    Route::get('/documents/{document}', [RegisterController::class, 'show'])->name('documents.show');
});
