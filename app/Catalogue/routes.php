<?php

declare(strict_types=1);

use Elmstone\Catalogue\ItemController;
use Illuminate\Support\Facades\Route;

Route::get('/items', [ItemController::class, 'index'])
    ->middleware('can:see-items')
    ->name('items');
Route::get('/items/new', [ItemController::class, 'create'])
    ->middleware('can:edit-items')
    ->name('items.create');
Route::post('/items', [ItemController::class, 'store'])
    ->middleware('can:edit-items')
    ->name('items.store');
Route::get('/items/{item:code}', [ItemController::class, 'show'])
    ->middleware('can:see-items')
    ->name('items.show');
Route::post('/items/{item:code}', [ItemController::class, 'update'])
    ->middleware('can:edit-items')
    ->name('items.update');
