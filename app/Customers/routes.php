<?php

declare(strict_types=1);

use Elmstone\Customers\CustomerController;
use Elmstone\Customers\CustomerTypeController;
use Elmstone\Customers\Personal\PersonalController;
use Illuminate\Support\Facades\Route;

Route::middleware('can:see-customers')->group(function (): void {
    Route::get('/customers', [CustomerController::class, 'index'])->name('customers');
    Route::get('/customers/new', [CustomerController::class, 'create'])
        ->middleware('can:edit-customers')
        ->name('customers.create');
    Route::get('/customers/{customer}', [CustomerController::class, 'show'])->name('customers.show');
    Route::get('/customers/types', [CustomerTypeController::class, 'index'])
        ->middleware('can:edit-prices')
        ->name('customers.types');
    Route::post('/customers/types', [CustomerTypeController::class, 'saveType'])
        ->middleware('can:edit-prices')
        ->name('customers.types.save');
    Route::post('/customers/levels', [CustomerTypeController::class, 'saveLevel'])
        ->middleware('can:edit-prices')
        ->name('customers.levels.save');
    Route::post('/customers/level-prices', [CustomerTypeController::class, 'savePrice'])
        ->middleware('can:edit-prices')
        ->name('customers.level-prices.save');
    Route::get('/customers/{customer}/scan/{version?}', [CustomerController::class, 'scan'])->name('customers.scan');
});

Route::middleware('can:interchange')->group(function (): void {
    Route::get('/customers/{customer}/personal', [PersonalController::class, 'show'])->name('customers.personal');
    Route::get('/customers/{customer}/personal.json', [PersonalController::class, 'file'])->name(
        'customers.personal.file',
    );
});
Route::post('/customers/{customer}/erase', [PersonalController::class, 'erase'])
    ->middleware('can:erase-customers')
    ->name('customers.erase');

Route::middleware('can:edit-customers')->group(function (): void {
    Route::post('/customers', [CustomerController::class, 'store'])->name('customers.store');
    Route::get('/customers/{customer}/change', [CustomerController::class, 'edit'])->name('customers.edit');
    Route::post('/customers/{customer}', [CustomerController::class, 'update'])->name('customers.update');
    Route::post('/customers/{customer}/notes', [CustomerController::class, 'note'])->name('customers.note');
    Route::post('/customers/{customer}/notes/{note}/gone', [CustomerController::class, 'noteGone'])->name(
        'customers.note-gone',
    );
});
