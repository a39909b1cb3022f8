<?php

declare(strict_types=1);

use Elmstone\Reminders\DueController;
use Elmstone\Reminders\ReminderController;
use Illuminate\Support\Facades\Route;

Route::middleware('can:take-payments')->group(function (): void {
    Route::get('/due', [DueController::class, 'index'])->name('due');
    Route::get('/due.csv', [DueController::class, 'csv'])->name('due.csv');
    Route::get('/reminders', [ReminderController::class, 'index'])->name('reminders');
    Route::post('/reminders', [ReminderController::class, 'send'])->name('reminders.send');
    Route::get('/reminders/{key}.pdf', [ReminderController::class, 'paper'])->name('reminders.paper');
    Route::post('/reminders/{key}/done', [ReminderController::class, 'done'])->name('reminders.done');
});
