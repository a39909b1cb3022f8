<?php

declare(strict_types=1);

use Elmstone\Catalogue\Families\FamilyController;
use Elmstone\Catalogue\ItemController;
use Elmstone\Catalogue\Markdowns\MarkdownController;
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

Route::middleware('can:edit-items')->group(function (): void {
    Route::get('/families/new', [FamilyController::class, 'create'])->name('families.create');
    Route::post('/families', [FamilyController::class, 'store'])->name('families.store');
    Route::post('/families/{family:code}', [FamilyController::class, 'change'])->name('families.change');
    Route::post('/families/{family:code}/grow', [FamilyController::class, 'grow'])->name('families.grow');
    Route::post('/families/{family:code}/complete', [FamilyController::class, 'complete'])->name('families.complete');
});
Route::middleware('can:see-items')->group(function (): void {
    Route::get('/families', [FamilyController::class, 'index'])->name('families');
    Route::get('/families/{family:code}', [FamilyController::class, 'show'])->name('families.show');
});

Route::middleware('can:edit-prices')->group(function (): void {
    Route::get('/markdowns', [MarkdownController::class, 'index'])->name('markdowns');
    Route::get('/markdowns/now', [MarkdownController::class, 'marked'])->name('markdowns.marked');
    Route::post('/markdowns', [MarkdownController::class, 'take'])->name('markdowns.take');
    Route::post('/markdowns/anew', [MarkdownController::class, 'anew'])->name('markdowns.anew');
    Route::post('/markdowns/steps', [MarkdownController::class, 'steps'])->name('markdowns.steps');
    Route::post('/markdowns/now/{item:code}/end', [MarkdownController::class, 'end'])->name('markdowns.end');
});
