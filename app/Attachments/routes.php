<?php

declare(strict_types=1);

use Elmstone\Attachments\AttachmentController;
use Illuminate\Support\Facades\Route;

Route::get('/attachments/{attachment}', [AttachmentController::class, 'show'])
    ->middleware('can:see-attachments')
    ->whereNumber('attachment')
    ->name('attachments.show');
Route::middleware('can:attach')->group(function (): void {
    Route::post('/attachments/{attachment}/remove', [AttachmentController::class, 'remove'])
        ->whereNumber('attachment')
        ->name('attachments.remove');
    Route::post('/attached/{of}/{id}', [AttachmentController::class, 'store'])
        ->whereNumber('id')
        ->name('attachments.store');
});
Route::post('/attached/{of}/{id}/summary', [AttachmentController::class, 'sumUp'])
    ->middleware('can:edit-customers')
    ->whereNumber('id')
    ->name('attachments.sum-up');
