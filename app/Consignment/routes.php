<?php

declare(strict_types=1);

use Elmstone\Consignment\OwnerController;
use Illuminate\Support\Facades\Route;

Route::middleware('can:buy-goods')->group(function (): void {
    Route::get('/owners', [OwnerController::class, 'index'])->name('owners');
    Route::post('/owners', [OwnerController::class, 'begin'])->name('owners.begin');
    Route::get('/owners/{owner:code}', [OwnerController::class, 'show'])->name('owners.show');
    Route::get('/owners/{owner:code}/settlements/{settlement}', [OwnerController::class, 'paper'])
        ->whereNumber('settlement')
        ->name('owners.paper');
    Route::post('/owners/{owner:code}/take-in', [OwnerController::class, 'takeIn'])->name('owners.take-in');
    Route::post('/owners/{owner:code}/give-back', [OwnerController::class, 'giveBack'])->name('owners.give-back');
    Route::post('/owners/{owner:code}/settle', [OwnerController::class, 'settle'])->name('owners.settle');
});
Route::middleware('can:edit-items')->group(function (): void {
    Route::post('/owners/{owner:code}/terms', [OwnerController::class, 'terms'])->name('owners.terms');
    Route::post('/owners/{owner:code}/items', [OwnerController::class, 'item'])->name('owners.item');
});
