<?php

declare(strict_types=1);

use Elmstone\Labels\LabelController;
use Illuminate\Support\Facades\Route;

Route::middleware('can:see-items')->group(function (): void {
    Route::get('/labels', [LabelController::class, 'index'])->name('labels');
    Route::post('/labels', [LabelController::class, 'print'])->name('labels.print');
});
