<?php

declare(strict_types=1);

use Elmstone\Staff\Doors\SignInController;
use Illuminate\Support\Facades\Route;

Route::middleware('guest')->group(function (): void {
    Route::get('/sign-in', [SignInController::class, 'show'])->name('sign-in');
    Route::post('/sign-in', [SignInController::class, 'signIn']);
});

Route::post('/sign-out', [SignInController::class, 'signOut'])->name('sign-out');
